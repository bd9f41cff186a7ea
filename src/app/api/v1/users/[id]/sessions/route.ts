/** The sessions of somebody else. */
import { logOutUser } from '@/server/accounts';
import { loginClientIn } from '@/app/_http/client';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const DELETE = route(OPERATIONS.logOutUser, ({ request, principal, params }) =>
  logOutUser(principal, params.id, loginClientIn(request.headers)),
);
