/** Hanging up. */
import { hangUp } from '@/server/calling';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.hangUp, async ({ principal, params }) => {
  await hangUp(principal, params.id);
  return done();
});
