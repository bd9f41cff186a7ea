/** Ending follow-up: enrollments of contacts who answered, opted out, or reached a stage in which somebody works with them. */
import type { Activity, Because, Channel } from '@/core/contacts';
import type { Tx } from '../shared';

export type FollowUpEnd = { contactId: string; at: Date } & (
  | { why: 'answered' | 'opted_out'; channel: Channel }
  | { why: 'appointment' }
  | { why: 'stage_reached'; stage: string }
  | { why: 'stopped_by'; by: string; enrollmentId: string }
  /** Another campaign takes them out of this one. */
  | { why: 'left_by'; other: string; campaignId: string }
  /** Every campaign of somebody who was deleted. */
  | { why: 'removed_by'; by: string }
);

/**
 * Ends the enrollments concerned that are under way, each as its campaign says: an answer may end it, pause it or leave it going, and a
 * stage in which somebody works with them ends only those that are not for such people. @returns what the timeline says about each
 */
export async function endFollowUp(tx: Tx, ends: FollowUpEnd[]): Promise<Activity[]> {
  if (!ends.length) return [];
  const first = new Map<string, FollowUpEnd>();
  for (const end of ends) if (!first.has(end.contactId)) first.set(end.contactId, end);
  const rows = await tx.rows<{
    contact_id: string;
    name: string;
    campaign_id: string;
    state: string;
    due_at: Date | null;
    zone: string;
  }>(
    `with x as (select * from jsonb_to_recordset($1::jsonb) as x (contact_id bigint, at timestamptz, because jsonb, enrollment_id bigint, campaign_id bigint)),
       concerned as (
         select e.id, x.at, x.because || jsonb_build_object('campaign', c.name) as because, c.name, case when x.because->>'why' in ('answered','appointment') then v.plan->'ends'->>'answered' else 'end' end as how,
           (v.plan->'ends'->>'pauseDays')::int as days, x.because->>'why' in ('answered','appointment') and jsonb_array_length(v.plan->'ends'->'then') > 0 as owes
         from x join enrollments e on e.contact_id = x.contact_id and e.state in ('active','paused') join campaigns c on c.id = e.campaign_id join campaign_versions v on v.id = e.version_id
         where (x.enrollment_id is null or e.id = x.enrollment_id) and (x.campaign_id is null or e.campaign_id = x.campaign_id)
           and not (x.because->>'why' = 'stage_reached' and (v.plan->>'anyStage')::boolean))
     update enrollments e set state = case n.how when 'pause' then 'paused' else 'stopped' end, ended_at = case n.how when 'pause' then null else n.at end, owes = n.owes,
       due_at = case n.how when 'pause' then greatest(e.due_at, n.at + n.days * interval '1 day') end, because = case n.how when 'pause' then e.because else n.because end
     from concerned n, contacts k where e.id = n.id and n.how <> 'on' and k.id = e.contact_id
     returning e.contact_id, n.name, e.campaign_id, e.state, e.due_at, k.time_zone as zone`,
    [
      JSON.stringify(
        [...first.values()].map((end) => ({
          contact_id: end.contactId,
          at: end.at,
          because: reasonOf(end),
          enrollment_id: end.why === 'stopped_by' ? end.enrollmentId : null,
          campaign_id: end.why === 'left_by' ? end.campaignId : null,
        })),
      ),
    ],
  );
  return rows.map((row) => {
    const end = first.get(row.contact_id)!;
    const paused = row.state === 'paused' && (end.why === 'answered' || end.why === 'appointment');
    return {
      contactId: row.contact_id,
      userId: null,
      at: end.at,
      kind: paused ? 'waits' : 'stopped',
      channel: null,
      direction: null,
      data: { campaign: row.name, campaignId: row.campaign_id },
      because: paused
        ? {
            why: 'paused_until',
            campaign: row.name,
            until: row.due_at!.toISOString(),
            zone: row.zone,
            channel: end.why === 'answered' ? end.channel : null,
          }
        : ({ ...reasonOf(end), campaign: row.name } as Because),
    };
  });
}

function reasonOf(end: FollowUpEnd): object {
  if (end.why === 'stage_reached') return { why: end.why, stage: end.stage };
  if (end.why === 'stopped_by' || end.why === 'removed_by') return { why: end.why, by: end.by };
  if (end.why === 'left_by') return { why: end.why, other: end.other };
  if (end.why === 'appointment') return { why: end.why };
  return { why: end.why, channel: end.channel };
}
