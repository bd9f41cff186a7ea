/** The tables of teams and of who is on them. */
import { bigint, id, instant, key, orNull, table, text } from '../shared';

export const teamsTable = table('teams', {
  id: id(),
  account_id: bigint(),
  name: text(),
  lead_id: orNull(bigint()),
  deleted_at: orNull(instant()),
});
export const teamMembersTable = table('team_members', {
  team_id: key(bigint()),
  user_id: key(bigint()),
});
