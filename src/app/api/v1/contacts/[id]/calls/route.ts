/** Calling a contact. */
import { startCall } from '@/server/calling';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.startCall, async ({ principal, params, body }) =>
  created(await startCall(principal, params.id, body.number)),
);
