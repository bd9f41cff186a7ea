/** A new password of one's own. The browser that asks goes on with a new session. */
import { changePassword } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { keepSession } from '@/app/_http/principal';
import { loginClientIn } from '@/app/_http/client';
import { done, route, userOf } from '@/app/_http/route';

export const PUT = route(OPERATIONS.changePassword, async ({ request, principal, body }) => {
  await keepSession(await changePassword(userOf(principal), body, loginClientIn(request.headers)));
  return done();
});
