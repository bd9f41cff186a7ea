/** The segments at hand. */
import { setShelf } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { done, userOf, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setShelf, async ({ principal, scope, body }) => {
  await setShelf(scope, userOf(principal).id, body.segments);
  return done();
});
