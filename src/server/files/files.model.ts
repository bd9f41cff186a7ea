/** The table of files. */
import { bigint, bytes, id, instant, orNull, table, text } from '../shared';

export const filesTable = table('files', {
  id: id(),
  account_id: bigint(),
  name: text(),
  type: text(),
  bytes: bytes(),
  made_by: orNull(bigint()),
  made_at: instant(),
});
