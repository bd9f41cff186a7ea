/** Today. */
import { liveCallOf } from '@/server/calling';
import { readToday } from '@/server/today';
import { OPERATIONS } from '@/app/_http/operations';
import { userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getToday, async ({ principal, scope }) => {
  const user = userOf(principal);
  const [today, call] = await Promise.all([readToday(scope, user), liveCallOf(user.id)]);
  return { ...today, call };
});
