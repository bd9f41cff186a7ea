/** An earlier ladder brought back. */
import { restoreLadder } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.restoreLadder, ({ principal, body }) => restoreLadder(principal, body.version));
