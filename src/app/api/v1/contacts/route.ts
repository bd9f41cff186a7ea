/** Contacts: searched, of a segment, or the people behind a number in Results. The count that comes with a page stops at 1,001. */
import { COUNTED, countContacts, listContacts } from '@/server/contacts';
import { readQuestion } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listContacts, async ({ request, scope, query }) => {
  const asked = await readQuestion(scope, query);
  const paged = {
    ...asked,
    sort: query.sort,
    descending: query.order ? query.order === 'desc' : undefined,
    limit: query.limit,
    cursor: query.cursor,
  };
  const counted = query.cursor ? undefined : countContacts(scope, asked);
  const [page, total] = await Promise.all([listContacts(scope, paged, counted && (() => counted)), counted]);
  return listed(request, page, {
    ...(total === undefined
      ? {}
      : { total: page.approximate ? page.items.length : Math.min(total, COUNTED), total_capped: total > COUNTED }),
    approximate: page.approximate,
  });
});
