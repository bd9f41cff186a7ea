/** Whose a message from a shared address was. */
import { sayWhose } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.sayWhose, async ({ principal, params, body }) => {
  await sayWhose(principal, params.id, body.contact_id);
  return done();
});
