/** Contacts: searched, of a segment, or the people behind a number in Results. The count that comes with a page stops at 1,001. */
import { countContacts, listContacts } from '@/server/contacts';
import { readQuestion } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

const CAP = 1_001;

export const GET = route(OPERATIONS.listContacts!, async ({ request, scope, query }) => {
  const asked = await readQuestion(scope, query);
  const paged = {
    ...asked,
    sort: query.sort,
    descending: query.order ? query.order === 'desc' : undefined,
    limit: query.limit,
    cursor: query.cursor,
  };
  const [page, total] = await Promise.all([
    listContacts(scope, paged),
    query.cursor ? undefined : countContacts(scope, asked, CAP),
  ]);
  return listed(request, page, {
    ...(total === undefined
      ? {}
      : { total: page.approximate ? page.items.length : Math.min(total, CAP - 1), total_capped: total >= CAP }),
    approximate: page.approximate,
  });
});
