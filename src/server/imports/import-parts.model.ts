/** The table of import parts. */
import { bigint, bytes, int, key, table } from '../shared';

export const importPartsTable = table('import_parts', {
  import_id: key(bigint()),
  n: key(int()),
  bytes: bytes(),
});
