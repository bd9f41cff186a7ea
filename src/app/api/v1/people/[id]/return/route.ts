/** Somebody returns. */
import { letReturn } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.letReturn!, async ({ principal, params }) => {
  await letReturn(principal, params.id!);
  return done();
});
