/** The plan of a campaign: kept as the next version. */
import { saveVersion } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.saveCampaignPlan, ({ principal, params, body }) => saveVersion(principal, params.id, body));
