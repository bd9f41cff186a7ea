/** How many contacts a question finds. */
import { exactCount, readQuestion } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.countContacts, async ({ scope, query }) => ({
  count: await exactCount(scope, await readQuestion(scope, query)),
}));
