/** Somebody returns. */
import { reactivateUser } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.reactivateUser, async ({ principal, params }) => {
  await reactivateUser(principal, params.id);
  return done();
});
