/** Permissions by word. */
import { setPermission } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setPermission, async ({ principal, params, body }) => {
  await setPermission(principal, params.id, body.channel, body.state, body.evidence);
  return done();
});
