/** The table of offices. */
import { bigint, id, table, text } from '../shared';

export const officesTable = table('offices', {
  id: id(),
  account_id: bigint(),
  name: text(),
});
