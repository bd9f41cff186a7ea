/** What the agent makes of an answer that was not sure. */
import { judgeRefusal } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.judgeRefusal, async ({ principal, params, body }) => {
  await judgeRefusal(principal, params.id, body.ends);
  return done();
});
