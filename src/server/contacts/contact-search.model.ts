/** The table of contact search. */
import { bigint, key, table, text } from '../shared';

export const contactSearchTable = table('contact_search', {
  contact_id: key(bigint()),
  account_id: bigint(),
  search_text: text(),
});
