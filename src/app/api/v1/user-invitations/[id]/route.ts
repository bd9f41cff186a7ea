/** One invitation to work here. */
import { revokeInvitation } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route, userOf } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.revokeInvitation, async ({ principal, params }) => {
  await revokeInvitation(userOf(principal), params.id);
  return done();
});
