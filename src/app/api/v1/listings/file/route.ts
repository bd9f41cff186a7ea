/** A file of listings. */
import { importListings } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.importListings, ({ request, principal, query }) =>
  importListings(principal, request.body, query),
);
