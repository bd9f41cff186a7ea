/** Who is away. */
import { setUserAway } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setUserAway, async ({ principal, params, body }) => {
  await setUserAway(principal, params.id, {
    from: body.from ? new Date(body.from) : null,
    until: body.until ? new Date(body.until) : null,
  });
  return done();
});
