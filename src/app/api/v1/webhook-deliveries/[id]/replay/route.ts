/** An event once more. */
import { replayDelivery } from '@/server/webhooks';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.replayDelivery, async ({ principal, params }) => {
  await replayDelivery(principal, params.id);
  return done();
});
