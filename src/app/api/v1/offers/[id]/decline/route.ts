/** Passing a lead on. */
import { declineOffer } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.declineOffer, async ({ principal, params }) => {
  await declineOffer(principal, params.id);
  return done();
});
