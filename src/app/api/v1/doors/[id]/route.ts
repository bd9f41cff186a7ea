/** One door. */
import { closeDoor, updateDoor } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateDoor, ({ principal, params, body }) => updateDoor(principal, params.id, body));
export const DELETE = route(OPERATIONS.removeDoor, async ({ principal, params }) => {
  await closeDoor(principal, params.id, true);
  return done();
});
