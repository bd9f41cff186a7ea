/** One roster. */
import { deleteRoster, updateRoster } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateRoster, async ({ principal, params, body }) => {
  await updateRoster(principal, params.id, body);
  return done();
});
export const DELETE = route(OPERATIONS.deleteRoster, async ({ principal, params }) => {
  await deleteRoster(principal, params.id);
  return done();
});
