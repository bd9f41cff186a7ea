/** The brokerage handed to another admin. */
import { transferOwnership } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.transferOwnership, async ({ principal, params }) => {
  await transferOwnership(principal, params.id);
  return done();
});
