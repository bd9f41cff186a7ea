/** Letting simulated time pass; in the demo and in tests only. */
import { AppError, durationMs } from '@/core/shared';
import { awaitAdvance, requestAdvance } from '@/server/simulation';
import { clockState } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.advance, async ({ request, body }) => {
  const by = body.by === undefined ? null : durationMs(body.by);
  if (body.by !== undefined && by === null) {
    throw new AppError('input_invalid', 'This is not a length of time.', {
      fields: [{ field: 'by', message: 'a duration such as PT1H or P1D' }],
    });
  }
  const id = await requestAdvance(by !== null ? { by } : body.to ? { to: new Date(body.to) } : { next: true });
  const { done, reached } = await awaitAdvance(id, request.signal);
  return { reached, instants: done, ...(await clockState()) };
});
