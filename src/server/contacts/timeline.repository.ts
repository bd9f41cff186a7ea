/** The timeline of a contact: what happened, newest first, each with its reason as a sentence. */
import type { TimelineItem } from '@/core/contacts';
import { pageOf, readCursor, type Page } from '@/core/shared';
import { sentenceOf, TIMELINE_GROUPS, type TimelineGroup } from '@/core/contacts';
import type { Scope } from '@/core/accounts';
import { nameSql, reader, type Tx, type RowOf } from '../shared';
import type { activitiesTable } from './activities.model';
import { findContact } from './contacts.repository';
import { stageNames } from './stage-names';

type TimelineRow = Pick<RowOf<typeof activitiesTable>, 'id' | 'kind' | 'channel' | 'direction' | 'at' | 'data' | 'because'> & {
  by: string | null;
};

/** A page of the timeline, or of one group of it. @throws AppError not_found when the contact may not be seen */
export async function listTimeline(
  scope: Scope,
  contactId: string,
  limit: number,
  cursor?: string | null,
  tx: Tx = reader(),
  group?: TimelineGroup,
): Promise<Page<TimelineItem>> {
  await findContact(scope, contactId, tx);
  const after = readCursor(cursor, 2);
  const bind: unknown[] = [contactId, limit + 1];
  if (after) bind.push(after[0], after[1]);
  const kinds = group ? `and a.kind = any($${bind.push([...TIMELINE_GROUPS[group]])}::text[])` : '';
  const rows = await tx.rows<TimelineRow>(
    `select a.id, a.kind, a.channel, a.direction, a.at, a.data, a.because, ${nameSql('u')} as by
     from activities a left join users u on u.id = a.user_id
     where a.contact_id = $1 ${after ? 'and (a.at, a.id) < ($3::timestamptz, $4::bigint)' : ''} ${kinds} order by a.at desc, a.id desc limit $2`,
    bind,
  );
  const stage = await stageNames(scope.accountId, tx);
  const page = pageOf(rows, limit, (row) => [row.at.toISOString(), row.id]);
  return {
    items: page.items.map((row) => ({
      id: row.id,
      kind: row.kind,
      channel: row.channel,
      direction: row.direction,
      at: row.at,
      text:
        row.kind === 'stage' ? `${stage(row.data.fromStage ?? '')} → ${stage(row.data.stage ?? '')}` : (row.data.text ?? null),
      because: row.because ? sentenceOf(row.because, stage) : null,
      by: row.by,
      data: row.data,
    })),
    next: page.next,
  };
}
