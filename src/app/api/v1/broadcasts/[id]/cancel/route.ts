/** What has not gone is taken back. */
import { cancelBroadcast } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.cancelBroadcast, ({ principal, params }) => cancelBroadcast(principal, params.id));
