/** Contacts: searched, by stage, or the people behind a number in Results. */
import { readSettings } from '@/server/accounts';
import { countContacts, listContacts, type ContactQuery } from '@/server/contacts';
import { now } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listContacts!, async ({ request, scope, query }) => {
  const asked: ContactQuery = { q: query.q, stage: query.stage, limit: query.limit, cursor: query.cursor };
  if (query.measure) {
    const to = await now();
    const { conversationSeconds } = await readSettings(scope.accountId);
    asked.behind = {
      measure: query.measure,
      agentId: query.agent ?? null,
      from: new Date(to.getTime() - query.days * 86_400_000),
      to,
      conversationSeconds,
    };
  }
  const [page, total] = await Promise.all([listContacts(scope, asked), countContacts(scope, asked)]);
  return listed(request, page, { total });
});
