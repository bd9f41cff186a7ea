/** Rehearsals. */
import { orderRehearsal } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.orderRehearsal, async ({ principal, body }) =>
  created(await orderRehearsal(principal, body.days, body.ladder)),
);
