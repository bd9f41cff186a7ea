/** Handing one new lead to a person: the ladder's choice, made under the roster's lock in the caller's transaction. */
import { chooseFromRoster, matchingRung, type Roster, type Rung } from '@/core/routing';
import type { Because } from '@/core/contacts';
import type { Tx } from '../shared';

export interface Routed {
  userId: string;
  agentName: string;
  rungId: string | null;
  /** The roster whose turn moves on; null when nobody's turn was used. */
  handedBy: string | null;
  because: Because;
}

interface RungRow {
  id: string;
  position: number;
  roles: Rung['roles'];
  roster_id: string;
  campaign_id: string | null;
}

interface MemberRow {
  roster_id: string;
  roster_name: string;
  last_user_id: string | null;
  net_id: string;
  net_name: string;
  user_id: string | null;
  name: string | null;
  position: number | null;
  away_until: Date | null;
  active: boolean | null;
}

export const readRungs = async (tx: Tx, accountId: string): Promise<Rung[]> =>
  (
    await tx.rows<RungRow>(
      'select id, position, roles, roster_id, campaign_id from rungs where account_id = $1 order by position',
      [accountId],
    )
  ).map((row) => ({
    id: row.id,
    position: row.position,
    roles: row.roles,
    rosterId: row.roster_id,
    campaignId: row.campaign_id,
  }));

/** Which rung is for a lead with these roles, read without any lock; null when none matches. */
export const findRung = async (tx: Tx, accountId: string, roles: string[]): Promise<Rung | null> =>
  matchingRung(await readRungs(tx, accountId), roles);

/**
 * Hands a lead to a member of the rung's roster, or to the safety net. Everything the choice reads of the roster is read under
 * its row's lock, which is held until the caller commits: so this is the last thing a caller does.
 */
export async function handByRung(tx: Tx, accountId: string, rung: Rung | null, now: Date): Promise<Routed> {
  if (!rung) return safetyNet(tx, accountId);
  const roster = await lockRoster(tx, rung.rosterId);
  const { userId, because } = chooseFromRoster(rung, roster, now);
  return {
    userId,
    agentName: 'agent' in because ? because.agent : '',
    rungId: rung.id,
    handedBy: because.why === 'round_robin' ? rung.rosterId : null,
    because,
  };
}

/** Locks a roster's row and reads it with its members: after waiting for the lock PostgreSQL reads the row anew, so whose turn it is is never stale. */
async function lockRoster(tx: Tx, rosterId: string): Promise<Roster> {
  const rows = await tx.rows<MemberRow>(
    `select r.id as roster_id, r.name as roster_name, r.last_user_id, r.safety_net_id as net_id, n.first_name || ' ' || n.last_name as net_name,
       m.user_id, u.first_name || ' ' || u.last_name as name, m.position, u.away_until, u.active
     from rosters r join users n on n.id = r.safety_net_id left join roster_members m on m.roster_id = r.id left join users u on u.id = m.user_id
     where r.id = $1 order by m.position for update of r`,
    [rosterId],
  );
  const head = rows[0]!;
  return {
    id: head.roster_id,
    name: head.roster_name,
    lastUserId: head.last_user_id,
    safetyNet: { userId: head.net_id, name: head.net_name },
    members: rows
      .filter((row) => row.user_id !== null)
      .map((row) => ({
        userId: row.user_id!,
        name: row.name!,
        position: row.position!,
        awayUntil: row.away_until,
        active: row.active!,
      })),
  };
}

/** Nobody's rung: the first roster's safety net takes it, or else the owner of the brokerage. A lead always ends with a person. */
async function safetyNet(tx: Tx, accountId: string): Promise<Routed> {
  const row = await tx.first<{ id: string; name: string }>(
    `select u.id, u.first_name || ' ' || u.last_name as name from users u
     left join (select safety_net_id from rosters where account_id = $1 order by id limit 1) r on r.safety_net_id = u.id
     where u.account_id = $1 and u.active and (r.safety_net_id is not null or u.role in ('owner','admin'))
     order by r.safety_net_id is null, u.role = 'owner' desc, u.id limit 1`,
    [accountId],
  );
  if (!row) throw new Error(`account ${accountId} has nobody who could take a lead`);
  return {
    userId: row.id,
    agentName: row.name,
    rungId: null,
    handedBy: null,
    because: { why: 'safety_net', roster: null, agent: row.name, cause: 'no_rung' },
  };
}
