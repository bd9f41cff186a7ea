/** The ladder. */
import { readLadder, saveLadder } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getLadder, ({ scope }) => readLadder(scope));
export const PUT = route(OPERATIONS.saveLadder, ({ principal, body: { version, ...ladder } }) =>
  saveLadder(principal, version, ladder),
);
