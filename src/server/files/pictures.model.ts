/** The table of pictures. */
import { bigint, bytes, id, instant, orNull, table, text } from '../shared';

export const picturesTable = table('pictures', {
  id: id(),
  account_id: bigint(),
  type: text(),
  bytes: bytes(),
  made_by: orNull(bigint()),
  made_at: instant(),
});
