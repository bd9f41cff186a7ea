/** `urraca verify`: folds the activities anew and reports every difference from what stands in the tables. Changes nothing. */
import { isSentSql } from './addresses';
import { foldFact, noFacts, stageAfter, type Activity, type Stage } from '@/core/contacts';
import { reader, type RowOf } from '../shared';
import type { activitiesTable } from './activities.model';
import { FACT_COLUMNS, factsOfRow, rowOfFacts } from './facts.rows';
import { derived, readContactStates } from './record-activities';

const CHUNK = 1_000;

type ActivityRow = Pick<
  RowOf<typeof activitiesTable>,
  'contact_id' | 'user_id' | 'at' | 'kind' | 'channel' | 'direction' | 'data'
>;

export interface Verified {
  contacts: number;
  activities: number;
  differences: string[];
}

/** Looks at every contact; stops collecting after `most` differences. */
export async function verify(most = 50): Promise<Verified> {
  const found: Verified = { contacts: 0, activities: 0, differences: await strays() };
  for (let after = '0'; found.differences.length < most;) {
    const ids = (
      await reader().rows<{ id: string }>('select id from contacts where id > $1 order by id limit $2', [after, CHUNK])
    ).map((row) => row.id);
    if (!ids.length) break;
    await verifyChunk(ids, found);
    after = ids.at(-1)!;
  }
  return found;
}

async function verifyChunk(ids: string[], found: Verified): Promise<void> {
  const standings = await readContactStates(reader(), ids, false);
  const rows = await reader().rows<ActivityRow>(
    'select contact_id, user_id, at, kind, channel, direction, data from activities where contact_id = any($1::bigint[]) order by contact_id, id',
    [ids],
  );
  const byContact = new Map<string, ActivityRow[]>();
  for (const row of rows) byContact.set(row.contact_id, [...(byContact.get(row.contact_id) ?? []), row]);
  for (const states of standings) {
    let facts = noFacts();
    let stage: Stage = 'new';
    for (const row of byContact.get(states.id) ?? []) {
      const activity: Activity = {
        contactId: row.contact_id,
        userId: row.user_id,
        at: row.at,
        kind: row.kind,
        channel: row.channel,
        direction: row.direction,
        data: row.data,
        because: null,
      };
      facts = foldFact(facts, activity);
      stage = row.kind === 'stage' ? (row.data.stage as Stage) : stageAfter(stage, activity);
    }
    const wanted = { ...rowOfFacts(facts), ...derived(states, facts, stage) } as Record<string, unknown>;
    const there = { ...rowOfFacts(factsOfRow(states)), ...(states as unknown as Record<string, unknown>) } as Record<
      string,
      unknown
    >;
    for (const column of [...FACT_COLUMNS.filter((name) => name !== 'last_touch_at'), ...DERIVED]) {
      if (plain(wanted[column]) !== plain(there[column]))
        found.differences.push(
          `contact ${states.id}: ${column} is ${plain(there[column])}, its activities say ${plain(wanted[column])}`,
        );
    }
  }
  found.contacts += standings.length;
  found.activities += rows.length;
}

const DERIVED = ['stage', 'hand_raised_at', 'next_touch_at', 'next_touch_kind'];
const plain = (value: unknown): string => (value instanceof Date ? value.toISOString() : String(value ?? null));

/** What may not be: a lead without a person or twice under one address, something done that no timeline tells, a search without its people. */
async function strays(): Promise<string[]> {
  const rows = await reader().rows<{ what: string }>(
    `select 'inquiry ' || i.id || ' is with nobody' as what from inquiries i left join contacts c on c.id = i.contact_id where (i.owner_id is null or c.owner_id is null)
       and (c.owner_id is not null or not exists (select 1 from routings r where r.contact_id = c.id and r.state in ('offered','commons') and r.ends_at is not null))
     union all select 'inquiry ' || inquiry_id || ' is with ' || count(*) || ' people' from offers where state in ('given','accepted') group by inquiry_id having count(*) > 1
     union all select 'offer ' || o.id || ' is open and nothing is being offered' from offers o left join routings r on r.inquiry_id = o.inquiry_id where o.state = 'open' and coalesce(r.state, '') not in ('offered','commons')
     union all select 'contact ' || contact_id || ' has ' || value || ' ' || count(*) || ' times' from contact_points where active group by contact_id, kind, value having count(*) > 1
     union all select 'call ' || id || ' ended and is not in the timeline' from calls where state = 'ended' and outcome is not null and activity_id is null
     union all select 'message ' || o.id || ' went and is not in the timeline' from outbox o where o.state = 'sent' and ${isSentSql('o.channel')}
       and not exists (select 1 from activities a where a.contact_id = o.contact_id and a.kind = 'message' and a.data->>'outboxId' = o.id::text)
     union all select 'contact ' || c.id || case when s.contact_id is null then ' cannot be searched' else ' is gone and still in the search' end from contacts c
       full join contact_search s on s.contact_id = c.id where (c.deleted_at is null) <> (s.contact_id is not null)
     limit 20`,
  );
  return rows.map((row) => row.what);
}
