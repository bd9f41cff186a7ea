/** The table of feeds. */
import { bigint, bytes, id, instant, orNull, table } from '../shared';

export const feedsTable = table('feeds', {
  id: id(),
  account_id: bigint(),
  user_id: bigint(),
  token_hash: bytes(),
  made_at: instant(),
  read_at: orNull(instant()),
  revoked_at: orNull(instant()),
});
