/** Locks on addresses under way, so that equal leads and imports at one moment meet. */
import type { Tx } from './db';

/** The locks as one expression of SQL, in one fixed order: an account's number and addresses, both bound. */
export const ADDRESS_LOCKS = (account: string, values: string): string =>
  `(select count(pg_advisory_xact_lock(h)) from (select distinct hashtextextended(v, ${account}::bigint) as h from unnest(${values}::text[]) v order by 1 offset 0) locks)`;

/** Takes a lock on each address, so that two equal leads at once become one contact. */
export const lockAddresses = (tx: Tx, accountId: string, values: string[]): Promise<void> =>
  tx.run(`select ${ADDRESS_LOCKS('$1', '$2')}`, [accountId, values]);
