/** The table of extraction rules. */
import { bigint, id, instant, orNull, table, text } from '../shared';

export const extractionRulesTable = table('extraction_rules', {
  id: id(),
  account_id: bigint(),
  door_id: bigint(),
  sender: text(),
  field: text(),
  before: text(),
  after: text(),
  made_by: orNull(bigint()),
  made_at: instant(),
});
