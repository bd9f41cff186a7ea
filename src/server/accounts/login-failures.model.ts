/** The table of login failures. */
import { instant, int, key, made, table, text } from '../shared';

export const loginFailuresTable = table('login_failures', {
  bucket: key(text()),
  failures: made(int()),
  last_at: made(instant()),
});
