/** The answer to an invitation. */
import { answerInvitation } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.answerInvitation, async ({ principal, params, body }) => {
  await answerInvitation(principal, params.id, body.accept);
  return done();
});
