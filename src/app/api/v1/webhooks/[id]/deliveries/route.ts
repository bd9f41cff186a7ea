/** What was sent to a webhook. */
import { listDeliveries } from '@/server/webhooks';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listDeliveries, async ({ request, scope, params, query }) =>
  listed(request, await listDeliveries(scope.accountId, params.id, query)),
);
