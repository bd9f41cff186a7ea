/**
 * The clock, read at the edge of each transaction and job. Real, or simulated: real time plus an offset kept in
 * PostgreSQL, or held at an instant while a simulation advances. Liveness (leases, heartbeats) is never on this clock.
 */
import { config } from './config';
import { reader, type Tx } from './db';

/** Now as SQL, over the clock's row. */
export const NOW = `coalesce(held_at, clock_timestamp() + offset_ms * interval '1 millisecond')`;

/** Now, for decisions. */
export async function now(tx: Tx = reader()): Promise<Date> {
  if (config().clock === 'real') return new Date();
  const row = await tx.first<{ now: Date }>(`select ${NOW} as now from clock`);
  return new Date(row!.now);
}

/** What a clock on a page needs: the instant, whether it is simulated, whether it stands still. */
export async function clockState(tx: Tx = reader()): Promise<{ now: Date; simulated: boolean; held: boolean }> {
  if (config().clock === 'real') return { now: new Date(), simulated: false, held: false };
  const row = await tx.first<{ now: Date; held: boolean }>(`select ${NOW} as now, held_at is not null as held from clock`);
  return { now: new Date(row!.now), simulated: true, held: row!.held };
}

/** Holds the simulated clock at an instant. */
export const holdClock = (tx: Tx, at: Date): Promise<void> => tx.run('update clock set held_at = $1', [at]);

/** Lets the simulated clock run on from where it is held; or from `at`, when given. */
export const releaseClock = (tx: Tx, at?: Date): Promise<void> =>
  tx.run(
    `update clock set offset_ms = round(extract(epoch from coalesce($1::timestamptz, held_at, seen_at, clock_timestamp()) - clock_timestamp()) * 1000), held_at = null`,
    [at ?? null],
  );

/** Writes down how far the clock has come, so that a demo that was stopped goes on from there and not from the weeks between. */
export const markClock = (tx: Tx = reader()): Promise<void> => tx.run(`update clock set seen_at = ${NOW}`);
