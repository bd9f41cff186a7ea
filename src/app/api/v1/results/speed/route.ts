/** Speed to lead. */
import { readSpeed } from '@/server/results';
import { now } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getSpeed, async ({ scope, query }) => {
  const to = await now();
  return { items: await readSpeed(scope, query.by, new Date(to.getTime() - query.days * 86_400_000), to) };
});
