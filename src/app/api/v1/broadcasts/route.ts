/** Broadcasts. */
import { createBroadcast, listBroadcasts } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listBroadcasts, async ({ scope }) => ({ items: await listBroadcasts(scope) }));

export const POST = route(OPERATIONS.createBroadcast, async ({ principal, body }) =>
  created(await createBroadcast(principal, body)),
);
