/** The table of import rows. */
import { bigint, int, json, key, made, orNull, smallint, table, text } from '../shared';

export const importRowsTable = table('import_rows', {
  import_id: key(bigint()),
  row: key(int()),
  part: key(made(smallint())),
  outcome: text<'made' | 'changed' | 'same' | 'left'>(),
  contact_id: orNull(bigint()),
  why: orNull(text()),
  raw: orNull(json()),
  before: orNull(json()),
  after: orNull(json()),
});
