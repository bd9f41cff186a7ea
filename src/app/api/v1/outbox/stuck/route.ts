/** Messages that do not get out. */
import { listStuck } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listStuck, async ({ scope }) => ({ items: await listStuck(scope.accountId) }));
