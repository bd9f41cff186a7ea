/** The table of api keys. */
import type { KeyScope } from '@/core/accounts';
import { bigint, bytes, id, instant, made, orNull, table, text, texts } from '../shared';

export const apiKeysTable = table('api_keys', {
  id: id(),
  account_id: bigint(),
  name: text(),
  key_hash: bytes(),
  hint: text(),
  scopes: texts<KeyScope>(),
  created_by: orNull(bigint()),
  created_at: made(instant()),
  last_used_at: orNull(instant()),
  revoked_at: orNull(instant()),
  door_id: orNull(bigint()),
  ends_at: orNull(instant()),
  replaced_by: orNull(bigint()),
});
