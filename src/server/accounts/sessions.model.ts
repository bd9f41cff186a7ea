/** The table of sessions. */
import { bigint, bytes, instant, key, made, table, text } from '../shared';

export const sessionsTable = table('sessions', {
  token_hash: key(bytes()),
  user_id: bigint(),
  created_at: made(instant()),
  expires_at: instant(),
  id: made(bigint()),
  last_seen_at: made(instant()),
  from_address: made(text()),
  device: made(text()),
  confirmed_at: made(instant()),
});
