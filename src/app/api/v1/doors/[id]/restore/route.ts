/** A removed door opened again. */
import { closeDoor } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.restoreDoor, async ({ principal, params }) => {
  await closeDoor(principal, params.id, false);
  return done();
});
