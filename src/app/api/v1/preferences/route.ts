/** What a person set for themselves. */
import { readPreferences, setPreferences } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getPreferences, ({ principal }) => readPreferences(userOf(principal).id));
export const PUT = route(OPERATIONS.setPreferences, async ({ principal, body }) => {
  await setPreferences(userOf(principal).id, body);
  return done();
});
