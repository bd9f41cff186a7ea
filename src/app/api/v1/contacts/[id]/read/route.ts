/** What somebody wrote is read, or unread again. */
import { markRead } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.markRead, async ({ scope, params, body }) => {
  await markRead(scope, params.id, body.read);
  return done();
});
