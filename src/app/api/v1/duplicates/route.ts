/** Pairs that may be one person. */
import { listPairs } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listDuplicates, async ({ scope, query }) => ({
  items: await listPairs(scope, query.limit),
}));
