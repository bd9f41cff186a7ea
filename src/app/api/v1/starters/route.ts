/** Campaigns that come with Urraca. */
import { STARTERS } from '@/core/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listStarters, async () => ({ items: STARTERS }));
