/** The table of accounts. */
import { id, instant, json, made, table, text } from '../shared';

export const accountsTable = table('accounts', {
  id: id(),
  name: text(),
  time_zone: text(),
  settings: made(json()),
  created_at: made(instant()),
});
