/** Trying words on oneself. */
import { sendTrial } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { userOf, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.sendTrial, async ({ principal, body }) => ({
  status: 202,
  body: await sendTrial(userOf(principal), body.trials, body.contact_id ?? null),
}));
