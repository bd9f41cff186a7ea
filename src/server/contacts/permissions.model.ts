/** The table of permissions. */
import { bigint, bool, instant, key, made, orNull, table, text } from '../shared';

export const permissionsTable = table('permissions', {
  account_id: key(bigint()),
  channel: key(text()),
  address: key(text()),
  state: text(),
  for_good: made(bool()),
  how: text(),
  evidence: orNull(text()),
  at: instant(),
});
