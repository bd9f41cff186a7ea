/** The table of shelves. */
import { bigint, int, key, table } from '../shared';

export const shelvesTable = table('shelves', {
  user_id: key(bigint()),
  segment_id: key(bigint()),
  position: int(),
});
