/** Taking two contacts apart again. */
import { unmerge } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.unmerge!, async ({ principal, params }) => {
  await unmerge(principal, params.id!);
  return done();
});
