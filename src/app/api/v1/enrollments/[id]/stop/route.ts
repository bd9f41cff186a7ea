/** Stopping a campaign for one contact. */
import { stopEnrollment } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.stopEnrollment, async ({ principal, params }) => {
  await stopEnrollment(principal, params.id);
  return done();
});
