/** What a plan would mean for the people in the campaign. */
import { previewVersion } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.previewCampaignPlan, ({ principal, params, body }) =>
  previewVersion(principal, params.id, body.plan),
);
