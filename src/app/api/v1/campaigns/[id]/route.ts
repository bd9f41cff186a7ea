/** One campaign. */
import { deleteCampaign, findCampaign, updateCampaign } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getCampaign, ({ scope, params }) => findCampaign(scope, params.id));

export const PATCH = route(OPERATIONS.updateCampaign, ({ principal, params, body }) =>
  updateCampaign(principal, params.id, body),
);

export const DELETE = route(OPERATIONS.deleteCampaign, async ({ principal, params }) => {
  await deleteCampaign(principal, params.id);
  return done();
});
