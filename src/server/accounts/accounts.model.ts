/** The table of accounts. */
import type { Settings } from '@/core/accounts';
import { id, instant, json, made, table, text } from '../shared';

export const accountsTable = table('accounts', {
  id: id(),
  name: text(),
  time_zone: text(),
  settings: made(json<Partial<Settings>>()),
  created_at: made(instant()),
});
