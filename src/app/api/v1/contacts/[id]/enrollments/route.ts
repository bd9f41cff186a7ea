/** A contact’s ways through campaigns. */
import { enrollContact, listEnrollments } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listEnrollments, async ({ scope, params }) => ({
  items: await listEnrollments(scope, params.id),
}));

export const POST = route(OPERATIONS.enrollContact, async ({ principal, params, body }) => {
  await enrollContact(principal, params.id, body.campaign_id);
  return done();
});
