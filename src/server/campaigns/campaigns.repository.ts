/** Reading campaigns and enrollments. */
import type { CampaignView, EnrollmentView, StepCount } from '@/core/campaigns';
import { notFound } from '@/core/shared';
import { mayChange, type Scope } from '@/core/accounts';
import { sentenceOf, type Because } from '@/core/contacts';
import { findContact, isClientSql, stageNames, visible } from '../contacts';
import { nameSql, reader } from '../shared';
import { readVersions } from './versions';

interface Row extends Omit<CampaignView, 'version' | 'made_by' | 'may_change' | 'steps'> {
  made_by_id: string | null;
  made_by_name: string | null;
  version_id: string;
  number: number;
  made_at: Date;
}

/** The campaigns of the account that the scope sees: those for the team, and its own; numbers count the contacts that it sees. */
export async function listCampaigns(scope: Scope, id: string | null = null): Promise<CampaignView[]> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const own = `$${bind.push(scope.userId)}::bigint`;
  const one = id === null ? '' : `and p.id = $${bind.push(id)}`;
  const rows = await reader().rows<Row>(
    `select p.id, p.name, p.state, p.exclusive_group as "group", p.shared, p.made_by as made_by_id, ${nameSql('u')} as made_by_name, v.id as version_id, v.number, v.made_at, v.plan,
       (select coalesce(max(step::int), -1) + 1 from campaign_versions o, jsonb_path_query(o.plan->'steps', 'strict $.**.id') step where o.campaign_id = p.id) as free_id, n.*
     from campaigns p join lateral (select * from campaign_versions v where v.campaign_id = p.id order by v.number desc limit 1) v on true left join users u on u.id = p.made_by
     left join lateral (
       select count(*)::int as total, count(*) filter (where e.state in ('active','paused'))::int as active, count(*) filter (where e.state = 'finished')::int as finished,
         count(*) filter (where e.because->>'why' = 'answered')::int as answered, count(*) filter (where e.because->>'why' = 'opted_out')::int as opted_out,
         count(*) filter (where ${isClientSql('c.stage')})::int as clients,
         count(*) filter (where e.state in ('active','paused') and e.version_id <> v.id)::int as on_earlier, min(e.due_at) filter (where e.state in ('active','paused')) as next_at
       from enrollments e join contacts c on c.id = e.contact_id where e.campaign_id = p.id and ${where}) n on true
     where p.account_id = $1 and p.deleted_at is null and (p.shared or p.made_by is null or p.made_by = ${own} or ${own} is null) ${one} order by p.name, p.id`,
    bind,
  );
  const counts = await stepCounts(scope, id);
  return rows.map(({ made_by_id, made_by_name, version_id, number, made_at, ...row }) => ({
    ...row,
    made_by: made_by_id ? { id: made_by_id, name: made_by_name ?? '' } : null,
    version: { id: version_id, number, made_at },
    may_change: mayChange(scope, { made_by: made_by_id, shared: row.shared }),
    steps: counts.get(row.id) ?? {},
  }));
}

async function stepCounts(scope: Scope, id: string | null): Promise<Map<string, Record<string, StepCount>>> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const one = id === null ? '' : `and e.campaign_id = $${bind.push(id)}`;
  const rows = await reader().rows<StepCount & { campaign_id: string; step: number }>(
    `select e.campaign_id, x.step, sum(x.sent)::int as sent, sum(x.held)::int as held, sum(x.waiting)::int as waiting from (
       select o.enrollment_id, (o.payload->>'step')::int as step, (o.state = 'sent')::int as sent, (o.state in ('held','parked'))::int as held, (o.state in ('waiting','sending'))::int as waiting
         from outbox o where o.enrollment_id is not null
       union all
       select t.enrollment_id, t.step, 1, 0, 0 from (select split_part(substr(key, 2), '-s', 1)::bigint as enrollment_id, split_part(split_part(key, '-s', 2), '-r', 1)::int as step from tasks where key like 'e%-s%') t
       union all
       select id, step, 0, 0, 1 from enrollments where state in ('active','paused')) x
     join enrollments e on e.id = x.enrollment_id join contacts c on c.id = e.contact_id where ${where} ${one} group by 1, 2`,
    bind,
  );
  const counts = new Map<string, Record<string, StepCount>>();
  for (const { campaign_id, step, ...count } of rows) {
    const of = counts.get(campaign_id) ?? {};
    of[String(step)] = count;
    counts.set(campaign_id, of);
  }
  return counts;
}

/** A contact's ways through campaigns, the latest first. */
export async function listEnrollments(scope: Scope, contactId: string): Promise<EnrollmentView[]> {
  await findContact(scope, contactId);
  const rows = await reader().rows<{
    id: string;
    campaign_id: string;
    version_id: string;
    name: string;
    state: EnrollmentView['state'];
    because: Because | null;
    started_at: Date;
    ended_at: Date | null;
    due_at: Date | null;
    planned_at: Date | null;
    step: number;
  }>(
    `select e.id, e.campaign_id, e.version_id, c.name, e.state, e.because, e.started_at, e.ended_at, e.due_at, e.planned_at, e.step
     from enrollments e join campaigns c on c.id = e.campaign_id where e.contact_id = $1 order by e.id desc`,
    [contactId],
  );
  const stage = await stageNames(scope.accountId, reader());
  const versions = await readVersions(
    reader(),
    rows.map((row) => row.version_id),
  );
  return rows.map((row) => {
    const version = versions.get(row.version_id);
    const step = version?.program.nodes.get(row.step)?.step;
    const goes = row.state === 'active' || row.state === 'paused';
    return {
      id: row.id,
      campaign: { id: row.campaign_id, name: row.name },
      state: row.state,
      because: row.because ? sentenceOf(row.because, stage) : null,
      started_at: row.started_at,
      ended_at: row.ended_at,
      next:
        goes && step && row.due_at
          ? {
              channel: step.do === 'touch' ? step.channel : step.do,
              day: version.days.get(row.step) ?? 0,
              at: row.due_at,
              waits: row.planned_at !== null && row.due_at > row.planned_at,
            }
          : null,
    };
  });
}

/** One campaign that the scope sees. @throws AppError not_found */
export async function findCampaign(scope: Scope, id: string): Promise<CampaignView> {
  const [campaign] = await listCampaigns(scope, id);
  if (!campaign) throw notFound('campaign');
  return campaign;
}
