/** Ending follow-up: enrolments of contacts who answered, opted out, or reached a stage in which somebody works with them. */
import type { Activity, Because, Channel } from '@/core/contacts';
import type { Tx } from '../shared';

export type FollowUpEnd = { contactId: string; at: Date } & (
  | { why: 'answered' | 'opted_out'; channel: Channel }
  | { why: 'stage_reached'; stage: string }
  | { why: 'stopped_by'; by: string; enrolmentId: string }
  /** Every campaign of somebody who was deleted. */
  | { why: 'removed_by'; by: string }
);

/** Ends the active enrolments concerned. @returns what the timeline says about each */
export async function endFollowUp(tx: Tx, ends: FollowUpEnd[]): Promise<Activity[]> {
  if (!ends.length) return [];
  const first = new Map<string, FollowUpEnd>();
  for (const end of ends) if (!first.has(end.contactId)) first.set(end.contactId, end);
  const rows = await tx.rows<{ contact_id: string; name: string; campaign_id: string }>(
    `update enrolments e set state = 'stopped', ended_at = x.at, due_at = null, because = x.because || jsonb_build_object('campaign', c.name)
     from jsonb_to_recordset($1::jsonb) as x (contact_id bigint, at timestamptz, because jsonb, enrolment_id bigint), campaigns c
     where e.contact_id = x.contact_id and e.state = 'active' and c.id = e.campaign_id and (x.enrolment_id is null or e.id = x.enrolment_id)
     returning e.contact_id, c.name, c.id as campaign_id`,
    [
      JSON.stringify(
        [...first.values()].map((end) => ({
          contact_id: end.contactId,
          at: end.at,
          because: reasonOf(end),
          enrolment_id: end.why === 'stopped_by' ? end.enrolmentId : null,
        })),
      ),
    ],
  );
  return rows.map((row) => {
    const end = first.get(row.contact_id)!;
    return {
      contactId: row.contact_id,
      userId: null,
      at: end.at,
      kind: 'stopped',
      channel: null,
      direction: null,
      data: { campaign: row.name, campaignId: row.campaign_id },
      because: { ...reasonOf(end), campaign: row.name } as Because,
    };
  });
}

function reasonOf(end: FollowUpEnd): object {
  if (end.why === 'stage_reached') return { why: end.why, stage: end.stage };
  if (end.why === 'stopped_by' || end.why === 'removed_by') return { why: end.why, by: end.by };
  return { why: end.why, channel: end.channel };
}
