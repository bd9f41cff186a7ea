/** Reading campaigns and enrolments. */
import type { CampaignView, EnrolmentView } from '@/core/campaigns';
import { notFound } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { dayOf, type Touch } from '@/core/campaigns';
import { sentenceOf, type Because } from '@/core/contacts';
import { findContact, stageNames, visible } from '../contacts';
import { reader } from '../shared';

/** The campaigns of the account; numbers count the contacts that the scope sees. */
export async function listCampaigns(scope: Scope): Promise<CampaignView[]> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const rows = await reader().rows<Omit<CampaignView, 'touches'> & { touches: Touch[] }>(
    `select p.id, p.name, p.state, p.exclusive_group, p.touches, n.* from campaigns p left join lateral (
       select count(*)::int as total, count(*) filter (where e.state = 'active')::int as active, count(*) filter (where e.state = 'finished')::int as finished,
         count(*) filter (where e.because->>'why' = 'answered')::int as answered, count(*) filter (where e.because->>'why' = 'opted_out')::int as opted_out
       from enrolments e join contacts c on c.id = e.contact_id where e.campaign_id = p.id and ${where}) n on true
     where p.account_id = $1 order by p.name`,
    bind,
  );
  const steps = await touchCounts(scope);
  return rows.map((row) => ({
    ...row,
    touches: row.touches.map((touch, step) => ({
      ...touch,
      day: dayOf(touch),
      sent: 0,
      held: 0,
      waiting: 0,
      ...steps.get(`${row.id}:${step}`),
    })),
  }));
}

async function touchCounts(scope: Scope): Promise<Map<string, { sent: number; held: number; waiting: number }>> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const rows = await reader().rows<{ campaign_id: string; step: number; sent: number; held: number; waiting: number }>(
    `select e.campaign_id, x.step, sum(x.sent)::int as sent, sum(x.held)::int as held, sum(x.waiting)::int as waiting from (
       select o.enrolment_id, (o.payload->>'step')::int as step, (o.state = 'sent')::int as sent, (o.state in ('held','parked'))::int as held, (o.state in ('waiting','sending'))::int as waiting
         from outbox o where o.enrolment_id is not null
       union all
       select t.enrolment_id, t.step, 1, 0, 0 from (select split_part(substr(key, 2), '-s', 1)::bigint as enrolment_id, split_part(key, '-s', 2)::int as step from tasks where key like 'e%-s%') t
       union all
       select id, step, 0, 0, 1 from enrolments where state = 'active') x
     join enrolments e on e.id = x.enrolment_id join contacts c on c.id = e.contact_id where ${where} group by 1, 2`,
    bind,
  );
  return new Map(rows.map(({ campaign_id, step, ...counts }) => [`${campaign_id}:${step}`, counts]));
}

/** A contact's ways through campaigns, the latest first. */
export async function listEnrolments(scope: Scope, contactId: string): Promise<EnrolmentView[]> {
  await findContact(scope, contactId);
  const rows = await reader().rows<{
    id: string;
    campaign_id: string;
    name: string;
    touches: Touch[];
    state: EnrolmentView['state'];
    because: Because | null;
    started_at: Date;
    ended_at: Date | null;
    due_at: Date | null;
    planned_at: Date | null;
    step: number;
  }>(
    `select e.id, e.campaign_id, c.name, c.touches, e.state, e.because, e.started_at, e.ended_at, e.due_at, e.planned_at, e.step
     from enrolments e join campaigns c on c.id = e.campaign_id where e.contact_id = $1 order by e.id desc`,
    [contactId],
  );
  const stage = await stageNames(scope.accountId, reader());
  return rows.map((row) => {
    const touch = row.touches[row.step];
    return {
      id: row.id,
      campaign: { id: row.campaign_id, name: row.name },
      state: row.state,
      because: row.because ? sentenceOf(row.because, stage) : null,
      started_at: row.started_at,
      ended_at: row.ended_at,
      next:
        row.state === 'active' && touch && row.due_at
          ? {
              channel: touch.channel,
              day: dayOf(touch),
              at: row.due_at,
              waits: row.planned_at !== null && row.due_at > row.planned_at,
            }
          : null,
    };
  });
}

/** One campaign of the account. @throws AppError not_found */
export async function findCampaign(scope: Scope, id: string): Promise<CampaignView> {
  const campaign = (await listCampaigns(scope)).find((one) => one.id === id);
  if (!campaign) throw notFound('campaign');
  return campaign;
}
