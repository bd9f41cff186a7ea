/** The audit of the account. */
import { listAudit } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listAudit, async ({ request, scope, query }) =>
  listed(request, await listAudit(scope.accountId, query)),
);
