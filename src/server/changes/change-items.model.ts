/** The table of change items. */
import { bigint, json, key, table } from '../shared';

export const changeItemsTable = table('change_items', {
  change_id: key(bigint()),
  contact_id: key(bigint()),
  before: json(),
  after: json(),
});
