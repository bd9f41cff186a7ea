/** One segment. */
import { deleteSegment, findSegment, updateSegment } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getSegment, ({ scope, params }) => findSegment(scope, params.id));
export const PATCH = route(OPERATIONS.updateSegment, ({ principal, params, body }) => updateSegment(principal, params.id, body));
export const DELETE = route(OPERATIONS.deleteSegment, async ({ principal, params }) => {
  await deleteSegment(principal, params.id);
  return done();
});
