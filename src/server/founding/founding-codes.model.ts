/** The table of founding codes. */
import { bytes, instant, key, made, table } from '../shared';

export const foundingCodesTable = table('founding_codes', {
  code_hash: key(bytes()),
  made_at: made(instant()),
  ends_at: instant(),
});
