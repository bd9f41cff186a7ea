/** The table of clock. */
import { bigint, bool, instant, key, made, orNull, table, text } from '../shared';

export const clockTable = table('clock', {
  id: key(made(bool())),
  mode: made(text<'real' | 'simulated'>()),
  offset_ms: made(bigint()),
  held_at: orNull(instant()),
  seen_at: orNull(instant()),
});
