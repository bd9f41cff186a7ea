/** Listings by criteria. */
import { criteriaOfWords, LISTING_STATUSES, ON_THE_MARKET } from '@/core/market';
import { listListings } from '@/server/market';
import { now } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listListings, async ({ request, scope, query }) => {
  const { limit, cursor, q, status } = query;
  const criteria = criteriaOfWords(Object.fromEntries(new URL(request.url).searchParams));
  const statuses = status === 'any' ? LISTING_STATUSES : status ? [status] : ON_THE_MARKET;
  const page = await listListings(scope.accountId, { criteria: [criteria], statuses, q, limit, cursor }, await now());
  return listed(request, page, { total: page.total });
});
