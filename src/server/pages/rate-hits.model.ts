/** The table of rate hits. */
import { instant, int, key, made, table, text } from '../shared';

export const rateHitsTable = table('rate_hits', {
  bucket: key(text()),
  window_start: key(instant()),
  hits: made(int()),
});
