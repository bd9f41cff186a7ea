/** Who shares a household. */
import { joinHousehold, leaveHousehold } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.joinHousehold, async ({ principal, params, body }) => {
  await joinHousehold(principal, params.id, body.other_id);
  return done();
});
export const DELETE = route(OPERATIONS.leaveHousehold, async ({ principal, params }) => {
  await leaveHousehold(principal, params.id);
  return done();
});
