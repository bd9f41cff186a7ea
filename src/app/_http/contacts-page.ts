/** A page of contacts as an answer shows it: of the API, and of the page that brings its first rows along. */
import type { Scope } from '@/core/accounts';
import type { ContactView } from '@/core/contacts';
import type { Page } from '@/core/shared';
import { COUNTED, countContacts, listContacts } from '@/server/contacts';
import { readQuestion } from '@/server/segments';
import type { Operations, QueryOf } from './operations';

export type ListQuery = QueryOf<Operations['listContacts']>;
interface Counted {
  total?: number;
  total_capped?: boolean;
  approximate: boolean;
}

/** @returns the page, and how many there are; the count that comes with a first page stops at 1,001 */
export async function readContactsPage(scope: Scope, query: ListQuery): Promise<{ page: Page<ContactView>; counted: Counted }> {
  const asked = await readQuestion(scope, query);
  const paged = {
    ...asked,
    sort: query.sort,
    descending: query.order ? query.order === 'desc' : undefined,
    limit: query.limit,
    cursor: query.cursor,
  };
  const counting = query.cursor ? undefined : countContacts(scope, asked);
  const [page, total] = await Promise.all([listContacts(scope, paged, counting && (() => counting)), counting]);
  return {
    page,
    counted: {
      ...(total === undefined
        ? {}
        : { total: page.approximate ? page.items.length : Math.min(total, COUNTED), total_capped: total > COUNTED }),
      approximate: page.approximate,
    },
  };
}
