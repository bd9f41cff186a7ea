/** The table of sources. */
import { bigint, id, instant, orNull, table, text } from '../shared';

export const sourcesTable = table('sources', {
  id: id(),
  account_id: bigint(),
  name: text(),
  key: text(),
  state: text<'known' | 'proposed' | 'merged' | 'none'>(),
  into_id: orNull(bigint()),
  first_at: instant(),
});
