/** Campaigns. */
import { createCampaign, listCampaigns } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listCampaigns, async ({ scope }) => ({ items: await listCampaigns(scope) }));

export const POST = route(OPERATIONS.createCampaign, async ({ principal, body }) =>
  created(await createCampaign(principal, body)),
);
