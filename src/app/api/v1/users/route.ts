/** People. */
import { listUsers } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listUsers, async ({ scope, query }) => ({ items: await listUsers(scope, query.left) }));
