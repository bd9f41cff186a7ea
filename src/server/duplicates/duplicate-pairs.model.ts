/** The table of duplicate pairs. */
import { bigint, key, real, table, texts } from '../shared';

export const duplicatePairsTable = table('duplicate_pairs', {
  account_id: bigint(),
  one_id: key(bigint()),
  other_id: key(bigint()),
  reasons: texts(),
  score: real(),
});
