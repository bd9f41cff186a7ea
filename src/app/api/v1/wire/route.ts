/** The numbers on the Wire. */
import { readWire } from '@/server/today';
import { OPERATIONS } from '@/app/_http/operations';
import { userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getWire, ({ principal, scope }) => readWire(scope, userOf(principal)));
