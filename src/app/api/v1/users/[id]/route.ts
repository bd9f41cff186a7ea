/** One user. */
import { updateUser } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateUser, async ({ principal, params, body }) => {
  await updateUser(principal, params.id, body);
  return done();
});
