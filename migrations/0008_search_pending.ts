/**
 * What is written to the search waits in a list that every search reads through until it is sorted into the index. A short list keeps
 * searches fast after a file of many people, at the price of sorting it in more often. People who are gone leave the search.
 */
import type { Migration } from './migration';

const up = `
alter index contact_search_trigram set (gin_pending_list_limit = 512);
delete from contact_search s using contacts c where c.id = s.contact_id and c.deleted_at is not null;
`;

export const searchPending: Migration = { name: '0008_search_pending', up: (run) => run(up) };
