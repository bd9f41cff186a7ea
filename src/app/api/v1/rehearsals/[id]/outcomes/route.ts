/** Who would have got what. */
import { listOutcomes } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listOutcomes, async ({ scope, params, query }) => ({
  items: await listOutcomes(scope.accountId, params.id, query, query.limit),
}));
