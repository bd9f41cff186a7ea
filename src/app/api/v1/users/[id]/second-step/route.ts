/** For somebody who lost their phone. */
import { resetSecondStep } from '@/server/accounts';
import { loginClientIn } from '@/app/_http/client';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.resetSecondStep, async ({ request, principal, params }) => {
  await resetSecondStep(principal, params.id, loginClientIn(request.headers));
  return done();
});
