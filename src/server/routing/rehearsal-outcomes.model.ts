/** The table of rehearsal outcomes. */
import { bigint, bool, int, key, orNull, table } from '../shared';

export const rehearsalOutcomesTable = table('rehearsal_outcomes', {
  rehearsal_id: key(bigint()),
  inquiry_id: key(bigint()),
  rung_id: orNull(bigint()),
  before_id: bigint(),
  user_id: bigint(),
  seconds: int(),
  moved: bool(),
});
