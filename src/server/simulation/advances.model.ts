/** The table of advances. */
import { id, instant, int, made, orNull, table, text } from '../shared';

export const advancesTable = table('advances', {
  id: id(),
  goal: orNull(instant()),
  state: made(text()),
  reached: orNull(instant()),
  done: made(int()),
  error: orNull(text()),
  created_at: made(instant()),
});
