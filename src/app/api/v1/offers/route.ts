/** Offers that wait. */
import { listWaitingOffers } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listOffers, ({ scope }) => listWaitingOffers(scope));
