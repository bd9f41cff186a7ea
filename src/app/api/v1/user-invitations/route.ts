/** Invitations to work here. */
import { inviteUser, listUserInvitations } from '@/server/accounts';
import { isConnected } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route, userOf } from '@/app/_http/route';

export const GET = route(OPERATIONS.listUserInvitations, async ({ scope }) => ({
  items: await listUserInvitations(scope.accountId),
  email_connected: await isConnected(scope.accountId, 'email'),
}));
export const POST = route(OPERATIONS.inviteUser, async ({ principal, body }) =>
  created(await inviteUser(userOf(principal), body)),
);
