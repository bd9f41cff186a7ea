/** A change of many that cannot go on is marked with its reason; what may succeed later (PostgreSQL away) is tried again by the queue. */
import { AppError } from '@/core/shared';
import { failChange } from '@/server/changes';

export async function orFail(changeId: string, work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (error instanceof AppError && error.facts.retry) throw error;
    await failChange(
      changeId,
      error instanceof AppError ? error.message : 'Something failed on our side. What was changed until then can be undone.',
    );
    if (!(error instanceof AppError)) throw error;
  }
}
