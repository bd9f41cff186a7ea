/** Taking two contacts apart again. */
import { undoMerge } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.undoMerge, async ({ principal, params }) => {
  await undoMerge(principal, params.id);
  return done();
});
