/** The table of change chunks. */
import { bigint, bigints, int, key, table } from '../shared';

export const changeChunksTable = table('change_chunks', {
  change_id: key(bigint()),
  position: key(int()),
  contact_ids: bigints(),
});
