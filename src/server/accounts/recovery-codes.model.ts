/** The table of recovery codes that are still good. */
import { bigint, id, table, text } from '../shared';

export const recoveryCodesTable = table('recovery_codes', {
  id: id(),
  user_id: bigint(),
  code_hash: text(),
});
