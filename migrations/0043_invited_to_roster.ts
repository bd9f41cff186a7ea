/** The roster that somebody who is invited joins with their first login. */
import type { Migration } from './migration';

const up = `alter table user_invitations add column roster_id bigint references rosters;`;

export const invitedToRoster: Migration = { name: '0043_invited_to_roster', up: (run) => run(up) };
