/** Results. */
import { readSettings } from '@/server/accounts';
import { readResults } from '@/server/results';
import { now } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getResults, async ({ scope, query }) => {
  const to = await now();
  const from = new Date(to.getTime() - query.days * 86_400_000);
  const { conversationSeconds } = await readSettings(scope.accountId);
  return {
    from,
    to,
    conversation_seconds: conversationSeconds,
    rows: await readResults(scope, { from, to, conversationSeconds }),
  };
});
