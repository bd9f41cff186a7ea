/** Listings that a file withdrew, back on the market. */
import { restoreListings } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.restoreListings, ({ principal, body }) =>
  restoreListings(principal, new Date(body.imported_at)),
);
