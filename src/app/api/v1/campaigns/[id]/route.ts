/** One campaign. */
import { findCampaign } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getCampaign!, ({ scope, params }) => findCampaign(scope, params.id!));
