/** A new sender has a door of its own, or belongs where it writes to. */
import { settleSender } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.settleSender!, async ({ principal, params, body }) => {
  await settleSender(principal, params.id!, body);
  return done();
});
