/** The ground of the map. */
import { readGround, setGround } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getGround!, ({ scope }) => readGround(scope.accountId));
export const PUT = route(OPERATIONS.setGround!, ({ principal, body }) => setGround(principal, body));
