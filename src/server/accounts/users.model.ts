/** The table of users. */
import type { Profile } from '@/core/accounts';
import { bigint, bool, id, instant, int, json, made, orNull, table, text, texts } from '../shared';

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
  away_from: orNull(instant()),
  custom_role_id: orNull(bigint()),
  profile: made(json<Partial<Profile>>()),
  told_by: made(texts()),
  active: made(bool()),
  created_at: made(instant()),
});
