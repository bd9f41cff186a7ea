/** The table of export parts. */
import { bigint, bytes, int, key, table } from '../shared';

export const exportPartsTable = table('export_parts', {
  export_id: key(bigint()),
  n: key(int()),
  bytes: bytes(),
});
