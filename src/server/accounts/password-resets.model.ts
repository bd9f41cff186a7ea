/** The table of links for forgotten passwords. */
import { bigint, bytes, instant, key, made, table } from '../shared';

export const passwordResetsTable = table('password_resets', {
  token_hash: key(bytes()),
  user_id: bigint(),
  made_at: made(instant()),
  ends_at: instant(),
});
