/** Campaigns. */
import { listCampaigns } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listCampaigns!, async ({ scope }) => ({ items: await listCampaigns(scope) }));
