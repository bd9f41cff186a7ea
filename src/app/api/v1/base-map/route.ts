/** The ground of the map. */
import { findBaseMap, saveBaseMap } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getBaseMap, ({ scope }) => findBaseMap(scope.accountId));
export const PUT = route(OPERATIONS.setBaseMap, ({ principal, body }) => saveBaseMap(principal, body));
