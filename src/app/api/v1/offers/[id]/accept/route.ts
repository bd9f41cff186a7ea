/** Taking a lead. */
import { acceptOffer } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.acceptOffer, ({ principal, params }) => acceptOffer(principal, params.id));
