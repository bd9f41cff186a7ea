/** The table of senders. */
import { bigint, id, instant, table, text } from '../shared';

export const sendersTable = table('senders', {
  id: id(),
  account_id: bigint(),
  door_id: bigint(),
  domain: text(),
  name: text(),
  state: text<'known' | 'proposed'>(),
  first_at: instant(),
});
