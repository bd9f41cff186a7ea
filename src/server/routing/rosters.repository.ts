/** Rosters as they stand: read for a choice, under a lock, or for people to look at. */
import {
  isAway,
  longestWay,
  nextInTurn,
  skipOf,
  skippedWords,
  type Member,
  type Roster,
  type RosterView,
  type Then,
} from '@/core/routing';
import type { Hours } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { nameSql, reader, type Tx, type RowOf } from '../shared';
import type { rosterMembersTable } from './roster-members.model';
import type { rostersTable } from './rosters.model';

type RosterRow = Pick<
  RowOf<typeof rostersTable>,
  | 'id'
  | 'name'
  | 'hand_out'
  | 'window_seconds'
  | 'try_seconds'
  | 'most_turns'
  | 'then_to'
  | 'then_roster_id'
  | 'commons_seconds'
  | 'sees'
  | 'last_user_id'
  | 'credit'
> & {
  hides: RosterView['hides'];
  net_id: string;
  net_name: string;
  members: MemberRow[] | null;
};
interface MemberRow extends Pick<
  RowOf<typeof rosterMembersTable>,
  'position' | 'weight' | 'daily_cap' | 'open_cap' | 'paused' | 'state'
> {
  user_id: number | string;
  name: string;
  email: string;
  hours: Hours[];
  /** Those of the profile, where the roster has no others. */
  profile_hours: Hours[];
  time_zone: string;
  away_from: string | null;
  lender: boolean;
  away_until: string | null;
  active: boolean;
}

/** A safety net who has left is replaced by whoever owns the brokerage: a lead always ends with somebody who is here. */
const ROSTER = `select r.id, r.name, r.hand_out, r.window_seconds, r.try_seconds, r.most_turns, r.then_to, r.then_roster_id, r.commons_seconds, r.hides, r.sees, r.last_user_id, r.credit,
   n.id as net_id, ${nameSql('n')} as net_name,
   (select jsonb_agg(jsonb_build_object('user_id', m.user_id, 'name', ${nameSql('u')}, 'email', u.email, 'position', m.position, 'weight', m.weight, 'daily_cap', m.daily_cap,
      'open_cap', m.open_cap, 'hours', m.hours, 'profile_hours', coalesce(u.profile -> 'hours', '[]'), 'paused', m.paused, 'state', m.state, 'time_zone', u.time_zone, 'away_from', u.away_from, 'away_until', u.away_until, 'active', u.active, 'lender', u.role = 'lender') order by m.position, m.user_id)
    from roster_members m join users u on u.id = m.user_id where m.roster_id = r.id) as members
 from rosters r join lateral (select id, first_name, last_name from users
   where account_id = r.account_id and active and (id = r.safety_net_id or role in ('owner','admin')) order by id = r.safety_net_id desc, role = 'owner' desc, id limit 1) n on true`;

const thenOf = (row: RosterRow): Then =>
  row.then_to === 'roster' && row.then_roster_id
    ? { to: 'roster', rosterId: row.then_roster_id }
    : row.then_to === 'commons'
      ? { to: 'commons', seconds: row.commons_seconds }
      : { to: 'safety_net' };

export interface LockedRoster extends Roster {
  hides: RosterView['hides'];
}

function rosterOf(row: RosterRow, loads: Map<string, { today: number; open: number }>): LockedRoster {
  return {
    id: row.id,
    name: row.name,
    handOut: row.hand_out,
    windowSeconds: row.window_seconds,
    trySeconds: row.try_seconds,
    mostTurns: row.most_turns,
    then: thenOf(row),
    hides: row.hides,
    turn: { lastUserId: row.last_user_id, credit: row.credit },
    safetyNet: { userId: row.net_id, name: row.net_name },
    members: (row.members ?? [])
      .filter(({ state }) => state === 'in')
      .map((member): Member => {
        const load = loads.get(String(member.user_id));
        return {
          userId: String(member.user_id),
          name: member.name,
          position: member.position,
          weight: member.weight,
          dailyCap: member.daily_cap,
          openCap: member.open_cap,
          hours: member.hours.length ? member.hours : member.profile_hours,
          timeZone: member.time_zone,
          paused: member.paused,
          awayFrom: member.away_from ? new Date(member.away_from) : null,
          awayUntil: member.away_until ? new Date(member.away_until) : null,
          /* Lenders are attached; they get no leads. */
          active: member.active && !member.lender,
          today: load?.today ?? 0,
          open: load?.open ?? 0,
        };
      }),
  };
}

/** How many leads came to these people on their own day of `at`, and how many of theirs nobody has spoken with. */
async function readLoads(tx: Tx, userIds: string[], at: Date): Promise<Map<string, { today: number; open: number }>> {
  if (!userIds.length) return new Map();
  const rows = await tx.rows<{ id: string; today: number; open: number }>(
    `select u.id, (select count(*)::int from offers o where o.user_id = u.id and o.taken_at >= date_trunc('day', $2::timestamptz at time zone u.time_zone) at time zone u.time_zone and o.roster_id is not null) as today,
       (select count(*)::int from contacts c where c.owner_id = u.id and c.account_id = u.account_id and c.deleted_at is null and c.stage in ('new','reaching')) as open
     from users u where u.id = any($1::bigint[])`,
    [userIds, at],
  );
  return new Map(rows.map(({ id, ...load }) => [id, load]));
}

const capped = (rows: RosterRow[]): string[] => [
  ...new Set(
    rows.flatMap((row) =>
      (row.members ?? []).filter((one) => one.daily_cap !== null || one.open_cap !== null).map((one) => String(one.user_id)),
    ),
  ),
];

/** Rosters under their locks, by id: those asked for, and those that these hand on to. */
export type LockedRosters = ReadonlyMap<string, LockedRoster>;

/**
 * Locks rosters and all they may hand on to, in the order of their ids so that two who do this never wait for each other, and reads them with
 * their members. After waiting for a lock PostgreSQL reads the row itself anew, so whose turn it is is never stale; its members are as they were
 * when the waiting began. What is gone is not among them.
 */
export async function lockRosters(tx: Tx, rosterIds: readonly string[], at: Date): Promise<LockedRosters> {
  if (!rosterIds.length) return new Map();
  const rows = await tx.rows<RosterRow>(
    `with recursive way as (
       select id, then_to, then_roster_id from rosters where id = any($1::bigint[])
       union select r.id, r.then_to, r.then_roster_id from way join rosters r on r.id = way.then_roster_id where way.then_to = 'roster'
     ) ${ROSTER} where r.id = any (select id from way) order by r.id for update of r`,
    [[...new Set(rosterIds)]],
  );
  const loads = await readLoads(tx, capped(rows), at);
  return new Map(rows.map((row) => [row.id, rosterOf(row, loads)]));
}

/** All rosters of an account as a rehearsal needs them, without locks. */
export async function readRostersToHandOut(accountId: string, at: Date, tx: Tx = reader()): Promise<Map<string, LockedRoster>> {
  const rows = await tx.rows<RosterRow>(`${ROSTER} where r.account_id = $1`, [accountId]);
  const loads = await readLoads(tx, capped(rows), at);
  return new Map(rows.map((row) => [row.id, rosterOf(row, loads)]));
}

interface Handed {
  roster_id: string;
  owner_id: string;
  handed: number;
  median_seconds: number | null;
}

/** The rosters with their people, what each was handed in the last 30 days, and who is next. */
export async function readRosters(scope: Scope, at: Date, since: Date): Promise<RosterView[]> {
  const tx = reader();
  const [rows, given, rungs] = await Promise.all([
    tx.rows<RosterRow>(`${ROSTER} where r.account_id = $1 and r.deleted_at is null order by r.id`, [scope.accountId]),
    tx.rows<Handed>(
      `select g.roster_id, i.owner_id, count(*)::int as handed, percentile_cont(0.5) within group (order by extract(epoch from i.first_try_at - i.arrived_at)) as median_seconds
       from inquiries i join rungs g on g.id = i.rung_id where i.account_id = $1 and i.arrived_at >= $2 and i.owner_id is not null group by 1, 2`,
      [scope.accountId, since],
    ),
    tx.rows<{ roster_id: string; n: number }>(
      'select roster_id, count(*)::int as n from rungs where account_id = $1 and deleted_at is null group by 1',
      [scope.accountId],
    ),
  ]);
  const loads = await readLoads(tx, capped(rows), at);
  const ready = rows.map((row) => rosterOf(row, loads));
  const ways = ready.map((roster) => ({ ...roster, size: roster.members.length }));
  return rows.map((row, n) => ({
    ...settingsOf(row, ready[n]!, rows),
    longest: longestWay(ways[n]!, ways),
    rungs: rungs.find(({ roster_id }) => roster_id === row.id)?.n ?? 0,
    members: membersOf(
      row,
      ready[n]!,
      given.filter((one) => one.roster_id === row.id),
      at,
    ),
  }));
}

const settingsOf = (
  row: RosterRow,
  roster: LockedRoster,
  rows: RosterRow[],
): Omit<RosterView, 'longest' | 'rungs' | 'members'> => ({
  id: row.id,
  name: row.name,
  hand_out: row.hand_out,
  window_seconds: row.window_seconds,
  try_seconds: row.try_seconds,
  most_turns: row.most_turns,
  then: {
    to: roster.then.to,
    roster:
      row.then_to === 'roster' && row.then_roster_id
        ? { id: row.then_roster_id, name: rows.find(({ id }) => id === row.then_roster_id)?.name ?? '' }
        : null,
    seconds: row.commons_seconds,
  },
  hides: row.hides,
  sees: row.sees,
  safety_net: { id: row.net_id, name: row.net_name },
});

/** Who is on a roster: what each was handed of what was due to them, and whether they may have the next. */
function membersOf(row: RosterRow, roster: LockedRoster, given: Handed[], at: Date): RosterView['members'] {
  const may = roster.members.filter((member) => !skipOf(member, at));
  const next = may.length && roster.handOut !== 'open' ? nextInTurn(roster, may).member.userId : null;
  const handedTo = (id: string) => given.find(({ owner_id }) => owner_id === id);
  const shareOf = (weight: number): number => (roster.handOut === 'weighted' ? weight : 1);
  const all = roster.members.reduce((sum, { userId }) => sum + (handedTo(userId)?.handed ?? 0), 0);
  const shares = roster.members.reduce((sum, { weight }) => sum + shareOf(weight), 0);
  return (row.members ?? [])
    .filter(({ active }) => active)
    .map((member) => {
      const id = String(member.user_id);
      const now = roster.members.find(({ userId }) => userId === id);
      const why = now && !member.lender ? skipOf(now, at) : null;
      const mine = handedTo(id);
      return {
        id,
        name: member.name,
        email: member.email,
        weight: member.weight,
        daily_cap: member.daily_cap,
        open_cap: member.open_cap,
        hours: member.hours,
        paused: member.paused,
        state: member.state,
        handed: mine?.handed ?? 0,
        due: now ? Math.round((10 * all * shareOf(member.weight)) / shares) / 10 : 0,
        away_from: member.away_from ? new Date(member.away_from) : null,
        away_until: member.away_until ? new Date(member.away_until) : null,
        away: now ? isAway({ ...now, active: true }, at) : false,
        off: why ? skippedWords([{ name: member.name, why }]) : null,
        next: id === next,
        median_seconds: mine?.median_seconds == null ? null : Math.round(mine.median_seconds),
      };
    });
}
