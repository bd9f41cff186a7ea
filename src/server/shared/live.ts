/** Telling open pages and sleeping workers that something changed: NOTIFY inside the transaction, so that it arrives exactly when the change is visible. */
import { DUE_CHANNEL, LIVE_CHANNEL, type LiveEvent } from '@/core/shared';
import type { Tx } from './db';

export const publish = (tx: Tx, ...events: LiveEvent[]): Promise<void> =>
  tx.run('select pg_notify($1, event) from unnest($2::text[]) event', [
    LIVE_CHANNEL,
    events.map((event) => JSON.stringify(event)),
  ]);

/** Wakes the workers: something may be due now. */
export const wakeWorkers = (tx: Tx): Promise<void> => tx.run('select pg_notify($1, $2)', [DUE_CHANNEL, '']);

/** Both at once, for what many wait for. */
export const publishAndWake = (tx: Tx, event: LiveEvent): Promise<void> =>
  tx.run(`select pg_notify($1, $2), pg_notify($3, '')`, [LIVE_CHANNEL, JSON.stringify(event), DUE_CHANNEL]);
