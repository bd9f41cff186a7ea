/** Invitations to rosters. */
import { listInvitations } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listInvitations, async ({ principal }) => ({
  items: await listInvitations(userOf(principal).id),
}));
