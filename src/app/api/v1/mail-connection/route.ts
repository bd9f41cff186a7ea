/** The mail server of the account. */
import { readMailConnection, removeMailConnection, setMailConnection } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getMailConnection, ({ scope }) => readMailConnection(scope.accountId));
export const PUT = route(OPERATIONS.setMailConnection, ({ principal, body }) => setMailConnection(principal, body));
export const DELETE = route(OPERATIONS.removeMailConnection, async ({ principal }) => {
  await removeMailConnection(principal);
  return done();
});
