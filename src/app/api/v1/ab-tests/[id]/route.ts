/** An A/B test ends with its winner, or is taken away. */
import { deleteAbTest, endAbTest } from '@/server/templates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.endAbTest, ({ principal, params, body }) =>
  endAbTest(principal, params.id, body.winner_id),
);

export const DELETE = route(OPERATIONS.deleteAbTest, async ({ principal, params }) => {
  await deleteAbTest(principal, params.id);
  return done();
});
