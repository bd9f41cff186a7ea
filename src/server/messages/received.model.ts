/** The table of received. */
import { instant, key, made, table, text } from '../shared';

export const receivedTable = table('received', {
  source: key(text()),
  event_id: key(text()),
  at: made(instant()),
});
