/** The table of links. */
import { bigint, id, table, text } from '../shared';

export const linksTable = table('links', {
  id: id(),
  account_id: bigint(),
  url: text(),
});
