/** A new sender has a door of its own, or belongs where it writes to. */
import { updateSender } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateSender, async ({ principal, params, body }) => {
  await updateSender(principal, params.id, body);
  return done();
});
