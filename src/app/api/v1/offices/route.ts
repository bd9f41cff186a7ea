/** Offices. */
import { createOffice, listOffices } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listOffices, async ({ scope }) => ({ items: await listOffices(scope.accountId) }));
export const POST = route(OPERATIONS.createOffice, async ({ principal, body }) =>
  created(await createOffice(principal, body.name)),
);
