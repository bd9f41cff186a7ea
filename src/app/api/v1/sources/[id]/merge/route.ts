/** Two sources are the same. */
import { mergeSources } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.mergeSources, async ({ principal, params, body }) =>
  created(await mergeSources(principal, params.id, body.into_id)),
);
