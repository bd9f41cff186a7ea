/** Trying words on oneself. */
import { tryOnMe } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { userOf, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.tryOnMe!, async ({ principal, body }) => ({
  status: 202,
  body: await tryOnMe(userOf(principal), body.trials, body.contact_id ?? null),
}));
