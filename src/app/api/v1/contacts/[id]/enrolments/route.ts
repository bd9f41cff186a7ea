/** A contact’s ways through campaigns. */
import { enrolContact, listEnrolments } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listEnrolments!, async ({ scope, params }) => ({
  items: await listEnrolments(scope, params.id!),
}));

export const POST = route(OPERATIONS.enrolContact!, async ({ principal, params, body }) => {
  await enrolContact(principal, params.id!, body.campaign_id);
  return done();
});
