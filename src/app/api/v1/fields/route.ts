/** The account's own fields. */
import { createField, listFieldsWithUses } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listFields, async ({ scope }) => ({ items: await listFieldsWithUses(scope.accountId) }));
export const POST = route(OPERATIONS.createField, async ({ principal, body }) => created(await createField(principal, body)));
