/** A name is no lead source. */
import { dismissSource } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.dismissSource, async ({ principal, params }) => {
  await dismissSource(principal, params.id);
  return done();
});
