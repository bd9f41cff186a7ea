/** The table of roles of a brokerage's own. */
import type { CustomRoleView } from '@/core/accounts';
import { bigint, id, instant, orNull, table, text, texts } from '../shared';

export const customRolesTable = table('custom_roles', {
  id: id(),
  account_id: bigint(),
  name: text(),
  base: text<CustomRoleView['base']>(),
  rights: texts(),
  deleted_at: orNull(instant()),
});
