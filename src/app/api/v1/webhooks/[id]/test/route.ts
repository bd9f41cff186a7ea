/** A test event. */
import { testWebhook } from '@/server/webhooks';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.testWebhook, ({ principal, params }) => testWebhook(principal, params.id));
