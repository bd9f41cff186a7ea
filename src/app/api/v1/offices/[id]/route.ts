/** One office. */
import { removeOffice, renameOffice } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.renameOffice, async ({ principal, params, body }) => {
  await renameOffice(principal, params.id, body.name);
  return done();
});
export const DELETE = route(OPERATIONS.removeOffice, async ({ principal, params }) => {
  await removeOffice(principal, params.id);
  return done();
});
