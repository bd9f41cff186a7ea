/** A new key in the place of an old one. */
import { rotateKey } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, userOf, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.rotateKey, async ({ principal, params, body }) =>
  created(await rotateKey(userOf(principal), params.id, body.hours)),
);
