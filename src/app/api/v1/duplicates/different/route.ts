/** Two people, not one. */
import { declareDifferent } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.declareDifferent, async ({ principal, body }) => {
  await declareDifferent(principal, body.one_id, body.other_id);
  return done();
});
