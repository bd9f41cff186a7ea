/** Whom a broadcast would reach. */
import { previewReach } from '@/server/broadcasts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.previewReach, ({ principal, body }) => previewReach(principal, body));
