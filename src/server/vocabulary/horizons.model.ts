/** The table of horizons. */
import { bigint, instant, int, key, orNull, table, text } from '../shared';

export const horizonsTable = table('horizons', {
  account_id: key(bigint()),
  key: key(text()),
  name: text(),
  meaning: text(),
  position: int(),
  rhythm_days: int(),
  strokes: int(),
  deleted_at: orNull(instant()),
});
