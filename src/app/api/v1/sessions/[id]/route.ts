/** Logging one of one's browsers out. */
import { endSession } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route, userOf } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.endSession, async ({ principal, params }) => {
  await endSession(userOf(principal), params.id);
  return done();
});
