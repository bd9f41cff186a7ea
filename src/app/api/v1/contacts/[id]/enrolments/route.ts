/** A contact’s ways through campaigns. */
import { listEnrolments } from '@/server/campaigns';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listEnrolments!, async ({ scope, params }) => ({
  items: await listEnrolments(scope, params.id!),
}));
