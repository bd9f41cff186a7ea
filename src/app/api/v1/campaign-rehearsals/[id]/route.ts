/** A rehearsal of a campaign. */
import { findCampaignRehearsal } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getCampaignRehearsal, ({ principal, params }) => findCampaignRehearsal(principal, params.id));
