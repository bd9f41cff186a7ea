/** Handing one new lead to a person: the ladder's choice, made under the roster's lock in the caller's transaction. */
import { chooseFromRoster, matchingRung, type Roster, type Rung } from '@/core/routing';
import type { Because } from '@/core/contacts';
import type { Tx } from '../shared';

export interface Routed {
  userId: string;
  agentName: string;
  rungId: string | null;
  campaignId: string | null;
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

/** Routes by the ladder. Everything the choice reads of the roster is read under its row's lock, held until the caller commits. */
export async function routeByLadder(tx: Tx, accountId: string, roles: string[], now: Date): Promise<Routed> {
  const rung = matchingRung(await readRungs(tx, accountId), roles);
  if (!rung) return safetyNet(tx, accountId);
  await tx.run('select 1 from rosters where id = $1 for update', [rung.rosterId]);
  const roster = await readRoster(tx, rung.rosterId);
  const { userId, because } = chooseFromRoster(rung, roster, now);
  if (because.why === 'round_robin') {
    await tx.run(
      `with handed as (update roster_members set handed = handed + 1 where roster_id = $1 and user_id = $2)
       update rosters set last_user_id = $2 where id = $1`,
      [rung.rosterId, userId],
    );
  }
  return { userId, agentName: 'agent' in because ? because.agent : '', rungId: rung.id, campaignId: rung.campaignId, because };
}

async function readRoster(tx: Tx, rosterId: string): Promise<Roster> {
  const rows = await tx.rows<MemberRow>(
    `select r.id as roster_id, r.name as roster_name, r.last_user_id, r.safety_net_id as net_id, n.first_name || ' ' || n.last_name as net_name,
       m.user_id, u.first_name || ' ' || u.last_name as name, m.position, u.away_until, u.active
     from rosters r join users n on n.id = r.safety_net_id left join roster_members m on m.roster_id = r.id left join users u on u.id = m.user_id
     where r.id = $1 order by m.position`,
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
    campaignId: null,
    because: { why: 'safety_net', roster: null, agent: row.name, cause: 'no_rung' },
  };
}
