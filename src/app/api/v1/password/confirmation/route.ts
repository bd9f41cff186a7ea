/** The password once more, in the middle of a session. */
import { confirmSession } from '@/server/accounts';
import { loginClientIn } from '@/app/_http/client';
import { OPERATIONS } from '@/app/_http/operations';
import { sessionToken } from '@/app/_http/principal';
import { done, route, userOf } from '@/app/_http/route';

export const POST = route(OPERATIONS.confirmPassword, async ({ request, principal, body }) => {
  await confirmSession(userOf(principal), (await sessionToken()) ?? '', body.password, loginClientIn(request.headers));
  return done();
});
