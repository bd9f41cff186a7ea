/** Asking for time to pass, in the demo and in tests: the request, and waiting until everything due in between has been done. The worker does it. */
import type { AdvanceView } from '@/core/simulation';
import { AppError } from '@/core/shared';
import { config, enqueue, now, reader, transact } from '../shared';

/** @throws AppError not_simulated where time is real */
export function requireSimulation(): void {
  if (config().clock !== 'simulated') throw new AppError('not_simulated', 'Time is real here and can’t be moved.');
}

/** Asks for time to pass up to an instant; null means to the next event. */
export async function requestAdvance(to: { by: number } | { to: Date } | { next: true }): Promise<string> {
  requireSimulation();
  return transact(async (tx) => {
    const at = await now(tx);
    const goal = 'by' in to ? new Date(at.getTime() + to.by) : 'to' in to ? to.to : null;
    if (goal && goal < at)
      throw new AppError('input_invalid', 'Time only moves forward.', { fields: [{ field: 'to', message: 'is in the past' }] });
    if (goal && goal.getTime() - at.getTime() > 400 * 86_400_000)
      throw new AppError('input_invalid', 'That is too far.', { fields: [{ field: 'by', message: 'at most 400 days at once' }] });
    const row = await tx.first<{ id: string }>('insert into advances (goal) values ($1) returning id', [goal]);
    await enqueue(tx, 'simulation.advance', { advanceId: row!.id });
    return row!.id;
  });
}

export const readAdvance = (id: string): Promise<AdvanceView | null> =>
  reader().first<AdvanceView>('select id, state, reached, done, error from advances where id = $1', [id]);

const POLL_MS = 60;

/** Waits until an advance is over. @throws AppError advance_failed when it failed or when `signal` ends the waiting */
export async function awaitAdvance(id: string, signal?: AbortSignal): Promise<AdvanceView> {
  for (;;) {
    const advance = await readAdvance(id);
    if (advance?.state === 'done') return advance;
    if (!advance || advance.state === 'failed')
      throw new AppError('advance_failed', `Time stands at where it came to. ${advance?.error ?? ''}`.trim(), { retry: true });
    if (signal?.aborted) throw new AppError('advance_failed', 'Stopped. Time goes on.');
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
}
