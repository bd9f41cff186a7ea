/** The table of not duplicates. */
import { bigint, instant, key, orNull, table } from '../shared';

export const notDuplicatesTable = table('not_duplicates', {
  account_id: bigint(),
  one_id: key(bigint()),
  other_id: key(bigint()),
  user_id: orNull(bigint()),
  at: instant(),
});
