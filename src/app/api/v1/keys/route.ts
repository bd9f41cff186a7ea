/** API keys. */
import { createKey, listKeys } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listKeys, async ({ scope }) => ({ items: await listKeys(scope.accountId) }));

export const POST = route(OPERATIONS.createKey, async ({ principal, body }) =>
  created(await createKey(userOf(principal), body.name, body.scopes, body.door_id ?? null, body.days ?? null)),
);
