/** One schedule of exports. */
import { deleteSchedule } from '@/server/exports';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.deleteSchedule, async ({ principal, params }) => {
  await deleteSchedule(principal, params.id);
  return done();
});
