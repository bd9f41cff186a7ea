/** One team. */
import { deleteTeam, updateTeam } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.updateTeam, ({ principal, params, body }) => updateTeam(principal, params.id, body));

export const DELETE = route(OPERATIONS.deleteTeam, async ({ principal, params }) => {
  await deleteTeam(principal, params.id);
  return done();
});
