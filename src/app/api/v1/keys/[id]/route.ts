/** Revoking a key. */
import { revokeKey } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, userOf, route } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.revokeKey, async ({ principal, params }) => {
  await revokeKey(userOf(principal), params.id);
  return done();
});
