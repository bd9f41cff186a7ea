/** Who is away. */
import { setAway } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setAway!, async ({ principal, params, body }) => {
  await setAway(principal, params.id!, body.until ? new Date(body.until) : null);
  return done();
});
