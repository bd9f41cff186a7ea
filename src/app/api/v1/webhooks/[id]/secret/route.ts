/** A new secret for a webhook. */
import { rotateWebhookSecret } from '@/server/webhooks';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.rotateWebhookSecret, ({ principal, params }) => rotateWebhookSecret(principal, params.id));
