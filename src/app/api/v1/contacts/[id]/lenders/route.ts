/** Who is attached to a contact as lender. */
import { setLenders } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setLenders, async ({ principal, params, body }) => {
  await setLenders(principal, params.id, body.lender_ids);
  return done();
});
