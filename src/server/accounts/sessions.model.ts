/** The table of sessions. */
import { bigint, bytes, instant, key, made, table } from '../shared';

export const sessionsTable = table('sessions', {
  token_hash: key(bytes()),
  user_id: bigint(),
  created_at: made(instant()),
  expires_at: instant(),
});
