/** Holding all campaigns for one person. */
import { holdPerson } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.holdContactCampaigns!, async ({ principal, params, body }) => {
  await holdPerson(principal, params.id!, body.held);
  return done();
});
