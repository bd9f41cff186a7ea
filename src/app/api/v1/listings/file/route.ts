/** A file of listings. */
import { takeListings } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.takeListings!, ({ request, principal, query }) =>
  takeListings(principal, request.body, { whole: query.whole }),
);
