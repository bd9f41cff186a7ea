/** One's own calendar address. */
import { createFeed, readFeed, revokeFeed } from '@/server/calendar';
import { OPERATIONS } from '@/app/_http/operations';
import { created, done, userOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getFeed, async ({ principal }) => ({ feed: await readFeed(userOf(principal)) }));
export const POST = route(OPERATIONS.createFeed, async ({ principal }) => created(await createFeed(userOf(principal))));
export const DELETE = route(OPERATIONS.revokeFeed, async ({ principal }) => {
  await revokeFeed(userOf(principal));
  return done();
});
