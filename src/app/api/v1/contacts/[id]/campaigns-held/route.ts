/** Holding all campaigns for one person. */
import { holdContact } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.holdContactCampaigns, async ({ principal, params, body }) => {
  await holdContact(principal, params.id, body.held);
  return done();
});
