/** Addresses under way, locked in one fixed order, so that a lead with the same address at the same moment waits and then matches. */
import type { Tx } from '../shared';

export const lockValues = (tx: Tx, accountId: string, values: string[]): Promise<void> =>
  tx.run(
    `select count(pg_advisory_xact_lock(h)) from (select distinct hashtextextended(v, $1::bigint) as h from unnest($2::text[]) v order by 1 offset 0) locks`,
    [accountId, values],
  );
