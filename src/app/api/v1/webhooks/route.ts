/** Webhooks of the account. */
import { createWebhook, listWebhooks } from '@/server/webhooks';
import { config } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route, userOf } from '@/app/_http/route';

export const GET = route(OPERATIONS.listWebhooks, async ({ scope }) => ({ items: await listWebhooks(scope.accountId) }));

export const POST = route(OPERATIONS.createWebhook, async ({ principal, body }) =>
  created(await createWebhook(userOf(principal), body, config().webhooksPrivate)),
);
