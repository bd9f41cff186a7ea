/** What has not gone waits. */
import { pauseBroadcast } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.pauseBroadcast, ({ principal, params }) => pauseBroadcast(principal, params.id));
