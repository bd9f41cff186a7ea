/** One listing. */
import { findListing } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getListing, ({ scope, params }) => findListing(scope, params.id));
