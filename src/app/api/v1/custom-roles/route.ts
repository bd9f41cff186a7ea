/** Roles of the brokerage's own. */
import { createCustomRole, listCustomRoles } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listCustomRoles, async ({ scope }) => ({ items: await listCustomRoles(scope.accountId) }));

export const POST = route(OPERATIONS.createCustomRole, async ({ principal, body }) =>
  created(await createCustomRole(principal, body)),
);
