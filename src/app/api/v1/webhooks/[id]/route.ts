/** One webhook: changed, switched, removed. */
import { deleteWebhook, updateWebhook } from '@/server/webhooks';
import { config } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateWebhook, ({ principal, params, body }) =>
  updateWebhook(principal, params.id, body, config().webhooksPrivate),
);

export const DELETE = route(OPERATIONS.deleteWebhook, async ({ principal, params }) => {
  await deleteWebhook(principal, params.id);
  return done();
});
