/** A draft is addressed and goes at its time. */
import { startBroadcast } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.startBroadcast, ({ principal, params }) => startBroadcast(principal, params.id));
