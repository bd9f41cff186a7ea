/** A rehearsal ended early. */
import { cancelRehearsal } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.cancelRehearsal, async ({ principal, params }) => {
  await cancelRehearsal(principal, params.id);
  return done();
});
