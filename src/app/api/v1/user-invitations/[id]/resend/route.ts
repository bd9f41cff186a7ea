/** An invitation once more. */
import { inviteAgain } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { route, userOf } from '@/app/_http/route';

export const POST = route(OPERATIONS.inviteAgain, ({ principal, params, body }) =>
  inviteAgain(userOf(principal), params.id, body.by),
);
