/** One broadcast: read, changed or taken away while it is a draft. */
import { deleteBroadcast, findBroadcast, updateBroadcast } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getBroadcast, ({ scope, params }) => findBroadcast(scope, params.id));

export const PATCH = route(OPERATIONS.updateBroadcast, ({ principal, params, body }) =>
  updateBroadcast(principal, params.id, body),
);

export const DELETE = route(OPERATIONS.deleteBroadcast, async ({ principal, params }) => {
  await deleteBroadcast(principal, params.id);
  return done();
});
