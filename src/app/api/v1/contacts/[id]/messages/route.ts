/** Messages by hand. */
import { sendMessage } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.sendMessage, async ({ principal, params, body }) =>
  created(await sendMessage(principal, params.id, body)),
);
