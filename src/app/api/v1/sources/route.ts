/** Lead sources. */
import { createSource, listSources } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listSources, async ({ principal }) => ({ items: await listSources(principal) }));

export const POST = route(OPERATIONS.createSource, async ({ principal, body }) =>
  created(await createSource(principal, body.name)),
);
