/** The table of secrets of authenticator apps. */
import { bigint, bytes, instant, key, made, orNull, table } from '../shared';

export const totpSecretsTable = table('totp_secrets', {
  user_id: key(bigint()),
  secret: bytes(),
  confirmed_at: orNull(instant()),
  last_step: made(bigint()),
});
