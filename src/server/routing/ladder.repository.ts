/** Reading the ladder, its rosters and the offers under way; and saying who is away. */
import type { LadderView, RosterView, OfferView } from '@/core/routing';
import { AppError, notFound } from '@/core/shared';
import { isAway, turnOrder, whoOf } from '@/core/routing';
import { runsTheOffice, scopeFor, type Principal, type Scope } from '@/core/accounts';
import { sentenceOf, type Because } from '@/core/contacts';
import { visible } from '../contacts';
import { now, publish, reader, record, transact } from '../shared';

/** The ladder with what each rung decided in the last 30 days. */
export async function readLadder(scope: Scope): Promise<LadderView> {
  const tx = reader();
  const at = await now(tx);
  const since = new Date(at.getTime() - 30 * 86_400_000);
  const shares = await tx.rows<{ why: string; rung_id: string | null; n: number }>(
    `select because->>'why' as why, rung_id, count(*)::int as n from inquiries where account_id = $1 and arrived_at >= $2 group by 1, 2`,
    [scope.accountId, since],
  );
  const rungs = await tx.rows<{
    id: string;
    position: number;
    roles: string[];
    roster: string;
    campaign: string | null;
    safety_net: string;
  }>(
    `select g.id, g.position, g.roles, r.name as roster, c.name as campaign, u.first_name || ' ' || u.last_name as safety_net
     from rungs g join rosters r on r.id = g.roster_id join users u on u.id = r.safety_net_id left join campaigns c on c.id = g.campaign_id
     where g.account_id = $1 order by g.position`,
    [scope.accountId],
  );
  const sum = (test: (share: { why: string; rung_id: string | null }) => boolean) =>
    shares.filter(test).reduce((total, share) => total + share.n, 0);
  return {
    inquiries: sum(() => true),
    returning: sum((share) => share.why === 'returning'),
    by_hand: sum((share) => share.why === 'kept_by_hand'),
    safety_net: sum((share) => share.why === 'safety_net' && share.rung_id === null),
    rungs: rungs.map((rung) => ({ ...rung, who: whoOf(rung), inquiries: sum((share) => share.rung_id === rung.id) })),
    rosters: await readRosters(scope, at, since),
  };
}

async function readRosters(scope: Scope, at: Date, since: Date): Promise<RosterView[]> {
  const rows = await reader().rows<{
    id: string;
    name: string;
    safety_net: string;
    last_user_id: string | null;
    user_id: string;
    member: string;
    position: number;
    away_until: Date | null;
    active: boolean;
    handed: number;
    median_seconds: number | null;
  }>(
    `select r.id, r.name, n.first_name || ' ' || n.last_name as safety_net, r.last_user_id, m.user_id, u.first_name || ' ' || u.last_name as member, m.position, u.away_until, u.active,
       coalesce(s.handed, 0)::int as handed, s.median_seconds
     from rosters r join users n on n.id = r.safety_net_id join roster_members m on m.roster_id = r.id join users u on u.id = m.user_id
     left join (select owner_id, rung_id, count(*) as handed, percentile_cont(0.5) within group (order by extract(epoch from first_try_at - arrived_at)) as median_seconds
       from inquiries where account_id = $1 and arrived_at >= $2 and rung_id is not null group by 1, 2) s
       on s.owner_id = m.user_id and s.rung_id in (select id from rungs where roster_id = r.id)
     where r.account_id = $1 order by r.id, m.position`,
    [scope.accountId, since],
  );
  const rosters = new Map<string, RosterView>();
  for (const id of new Set(rows.map((row) => row.id))) {
    const own = rows.filter((row) => row.id === id);
    const order = turnOrder({
      id,
      name: own[0]!.name,
      lastUserId: own[0]!.last_user_id,
      safetyNet: { userId: '', name: '' },
      members: own.map((row) => ({
        userId: row.user_id,
        name: row.member,
        position: row.position,
        awayUntil: row.away_until,
        active: row.active,
      })),
    });
    const next = order.find((member) => !isAway(member, at))?.userId;
    rosters.set(id, {
      id,
      name: own[0]!.name,
      safety_net: own[0]!.safety_net,
      members: own.map((row) => ({
        id: row.user_id,
        name: row.member,
        handed: row.handed,
        away_until: row.away_until,
        away: isAway({ awayUntil: row.away_until, active: row.active }, at),
        next: row.user_id === next,
        median_seconds: row.median_seconds === null ? null : Math.round(row.median_seconds),
      })),
    });
  }
  return [...rosters.values()];
}

/** Offers that wait for a first try, the newest first, with how many there are, as far as the scope sees their contacts. */
export async function listWaitingOffers(scope: Scope, limit = 50): Promise<{ items: OfferView[]; total: number }> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const count = await reader().first<{ n: number }>(
    `select count(*)::int as n from offers o join contacts c on c.id = o.contact_id where o.answered_at is null and ${where}`,
    bind,
  );
  bind.push(limit);
  const rows = await reader().rows<Omit<OfferView, 'agent' | 'because'> & { user_id: string; agent: string; because: Because }>(
    `select o.id, o.contact_id, c.first_name || ' ' || c.last_name as name, o.user_id, u.first_name || ' ' || u.last_name as agent, o.offered_at, i.because
     from offers o join contacts c on c.id = o.contact_id join users u on u.id = o.user_id join inquiries i on i.id = o.inquiry_id
     where o.answered_at is null and ${where} order by o.offered_at desc, o.id desc limit $${bind.length}`,
    bind,
  );
  return {
    items: rows.map(({ user_id, agent, because, ...row }) => ({
      ...row,
      agent: { id: user_id, name: agent },
      because: sentenceOf(because),
    })),
    total: count!.n,
  };
}

/** Says until when somebody is away; null brings them back. Oneself, or anybody for those who run the office. */
export async function setAway(principal: Principal, userId: string, until: Date | null): Promise<void> {
  const self = principal.kind === 'person' && principal.person.id === userId;
  if (!self && principal.kind === 'person' && !runsTheOffice(principal.person.role))
    throw new AppError('not_allowed', 'Only an admin says that somebody else is away.');
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const rows = await tx.rows('update users set away_until = $3 where id = $1 and account_id = $2 and active returning id', [
      userId,
      accountId,
      until,
    ]);
    if (!rows.length) throw notFound('agent');
    await record(tx, principal, accountId, until ? 'said away' : 'said back', { user_id: userId, until }, await now(tx));
    await publish(tx, { accountId, topic: 'routing', ownerId: null });
  });
}
