/** The table of roster members. */
import { bigint, bool, instant, int, json, key, made, orNull, table, text } from '../shared';

export const rosterMembersTable = table('roster_members', {
  roster_id: key(bigint()),
  user_id: key(bigint()),
  position: int(),
  handed: made(int()),
  weight: made(int()),
  daily_cap: orNull(int()),
  open_cap: orNull(int()),
  hours: made(json()),
  paused: made(bool()),
  state: made(text<'in' | 'invited' | 'declined'>()),
  invited_at: orNull(instant()),
  answered_at: orNull(instant()),
});
