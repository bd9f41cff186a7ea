/** One's own calendar address. */
import { createFeed, readFeed, revokeFeed } from '@/server/calendar';
import { OPERATIONS } from '@/app/_http/operations';
import { created, done, personOf, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getFeed!, async ({ principal }) => ({ feed: await readFeed(personOf(principal)) }));
export const POST = route(OPERATIONS.createFeed!, async ({ principal }) => created(await createFeed(personOf(principal))));
export const DELETE = route(OPERATIONS.revokeFeed!, async ({ principal }) => {
  await revokeFeed(personOf(principal));
  return done();
});
