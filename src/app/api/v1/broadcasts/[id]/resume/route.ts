/** A paused broadcast goes on. */
import { resumeBroadcast } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.resumeBroadcast, ({ principal, params }) => resumeBroadcast(principal, params.id));
