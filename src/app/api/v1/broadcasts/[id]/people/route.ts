/** The people behind a number of a broadcast. */
import { listBroadcastPeople } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listBroadcastPeople, async ({ request, scope, params, query }) =>
  listed(request, await listBroadcastPeople(scope, params.id, query)),
);
