/** The table of permission changes. */
import { bigint, id, instant, orNull, table, text } from '../shared';

export const permissionChangesTable = table('permission_changes', {
  id: id(),
  account_id: bigint(),
  channel: text(),
  address: text(),
  state: text<'granted' | 'withdrawn'>(),
  how: text(),
  evidence: orNull(text()),
  user_id: orNull(bigint()),
  at: instant(),
});
