/** Locks on addresses under way, so that equal leads and imports at one moment meet. */
import type { Tx } from './db';

/** Takes a lock on each address, in one fixed order, so that two equal leads at once become one contact. */
export const lockAddresses = (tx: Tx, accountId: string, values: string[]): Promise<void> =>
  tx.run(
    `select count(pg_advisory_xact_lock(h)) from (select distinct hashtextextended(v, $1::bigint) as h from unnest($2::text[]) v order by 1 offset 0) locks`,
    [accountId, values],
  );
