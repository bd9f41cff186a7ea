/** One role of the brokerage's own. */
import { deleteCustomRole, updateCustomRole } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateCustomRole, ({ principal, params, body }) =>
  updateCustomRole(principal, params.id, body),
);

export const DELETE = route(OPERATIONS.deleteCustomRole, async ({ principal, params }) => {
  await deleteCustomRole(principal, params.id);
  return done();
});
