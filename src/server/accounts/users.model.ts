/** The table of users. */
import { bigint, bool, id, instant, int, made, orNull, table, text } from '../shared';

export const usersTable = table('users', {
  id: id(),
  account_id: bigint(),
  office_id: orNull(bigint()),
  role: text<'owner' | 'admin' | 'agent' | 'caller' | 'lender'>(),
  first_name: text(),
  last_name: text(),
  email: text(),
  phone: orNull(text()),
  time_zone: text(),
  password_hash: text(),
  day_goal: made(int()),
  away_until: orNull(instant()),
  active: made(bool()),
  created_at: made(instant()),
});
