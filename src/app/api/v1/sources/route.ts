/** Lead sources. */
import { listSources } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listSources, async ({ principal }) => ({ items: await listSources(principal) }));
