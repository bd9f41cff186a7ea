/** A passkey goes. */
import { removePasskey } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route, userOf } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.removePasskey, async ({ principal, params }) => {
  await removePasskey(userOf(principal), params.id);
  return done();
});
