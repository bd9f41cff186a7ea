/** Rehearsing a campaign. */
import { orderCampaignRehearsal } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.orderCampaignRehearsal, async ({ principal, params, body }) =>
  created(await orderCampaignRehearsal(principal, params.id, body)),
);
