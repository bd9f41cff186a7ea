/** The last requests to a door for programs. */
import { listRequests } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listDoorRequests, async ({ scope, params }) => ({
  items: await listRequests(scope, params.id),
}));
