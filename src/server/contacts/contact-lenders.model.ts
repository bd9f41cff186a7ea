/** The table of contact lenders. */
import { bigint, key, table } from '../shared';

export const contactLendersTable = table('contact_lenders', {
  contact_id: key(bigint()),
  user_id: key(bigint()),
});
