/** Leads offered to whoever asks. */
import { listMyOffers } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listMyOffers, async ({ principal, scope }) => ({
  items: await listMyOffers(scope.accountId, userOf(principal).id),
}));
