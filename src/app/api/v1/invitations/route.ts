/** Invitations to rosters. */
import { listInvitations } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { personOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listInvitations!, async ({ principal }) => ({
  items: await listInvitations(personOf(principal).id),
}));
