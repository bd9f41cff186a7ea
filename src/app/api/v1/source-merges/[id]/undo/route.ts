/** A merge of sources, taken apart. */
import { splitSources } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.splitSources, async ({ principal, params }) => {
  await splitSources(principal, params.id);
  return done();
});
