/** The table of passkeys. */
import { bigint, bytes, id, instant, made, orNull, table, text, texts } from '../shared';

export const passkeysTable = table('passkeys', {
  id: id(),
  user_id: bigint(),
  credential_id: text(),
  public_key: bytes(),
  counter: bigint(),
  transports: made(texts()),
  name: text(),
  created_at: made(instant()),
  last_used_at: orNull(instant()),
});
