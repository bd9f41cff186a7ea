/** A draft with the same words and people. */
import { copyBroadcast } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.copyBroadcast, async ({ principal, params }) =>
  created(await copyBroadcast(principal, params.id)),
);
