/** The table of households. */
import { bigint, bool, id, instant, made, table } from '../shared';

export const householdsTable = table('households', {
  id: id(),
  account_id: bigint(),
  made_at: instant(),
  do_not_contact: made(bool()),
});
