/** Stopping a campaign for one contact. */
import { stopEnrolment } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.stopEnrolment!, async ({ principal, params }) => {
  await stopEnrolment(principal, params.id!);
  return done();
});
