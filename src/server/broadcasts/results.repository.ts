/** What became of broadcasts: counts, the people behind each, and who answered within the first hour. */
import { notFound, type Page, pageOf, readCursor } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import type { BroadcastCounts, BroadcastPeople } from '@/core/messages';
import { visible } from '../contacts';
import { nameSql, reader, type Tx } from '../shared';

/** The first answer of somebody to a message `o`, within a week. */
const ANSWER = `select min(a.at) from activities a where a.contact_id = o.contact_id and a.at > o.sent_at and a.at <= o.sent_at + interval '7 days' and a.kind = 'message' and a.direction = 'in' and not a.data ? 'autoReply' and not a.data ? 'optOut'`;
const OPTED_OUT = `exists (select 1 from activities a where a.contact_id = o.contact_id and a.at > o.sent_at and a.at <= o.sent_at + interval '7 days' and a.data ? 'optOut')`;

const NONE: BroadcastCounts = {
  waiting: 0,
  sent: 0,
  held: 0,
  cancelled: 0,
  bounced: 0,
  complained: 0,
  opened: 0,
  clicked: 0,
  answered: 0,
  answered_first_hour: 0,
  opted_out: 0,
  delivered_letters: 0,
};

/** @returns by broadcast; each has an entry */
export async function countsOf(tx: Tx, ids: readonly string[]): Promise<Map<string, BroadcastCounts>> {
  const counts = new Map(ids.map((id) => [id, NONE]));
  if (!ids.length) return counts;
  const rows = await tx.rows<BroadcastCounts & { id: string }>(
    `select o.broadcast_id as id, count(*) filter (where o.state in ('waiting','sending','paused'))::int as waiting, count(*) filter (where o.state = 'sent')::int as sent,
       count(*) filter (where o.state in ('held','parked') and o.bounced_at is null)::int as held, count(*) filter (where o.state = 'cancelled')::int as cancelled,
       count(*) filter (where o.bounced_at is not null)::int as bounced, count(*) filter (where o.complained_at is not null)::int as complained,
       count(*) filter (where o.opened_at is not null)::int as opened, count(*) filter (where o.clicked_at is not null)::int as clicked,
       count(x.answered_at)::int as answered, count(*) filter (where x.answered_at <= b.started_at + interval '1 hour')::int as answered_first_hour,
       count(*) filter (where x.opted_out)::int as opted_out, count(*) filter (where o.tracking = 'delivered')::int as delivered_letters
     from outbox o join broadcasts b on b.id = o.broadcast_id
     left join lateral (select (${ANSWER}) as answered_at, ${OPTED_OUT} as opted_out where o.state = 'sent') x on true
     where o.broadcast_id = any($1::bigint[]) group by o.broadcast_id`,
    [[...ids]],
  );
  for (const { id, ...row } of rows) counts.set(id, row);
  return counts;
}

const BEHIND: Record<BroadcastPeople, string> = {
  waiting: `o.state in ('waiting','sending','paused')`,
  sent: `o.state = 'sent'`,
  held: `o.state in ('held','parked') and o.bounced_at is null`,
  bounced: 'o.bounced_at is not null',
  complained: 'o.complained_at is not null',
  opened: 'o.opened_at is not null',
  clicked: 'o.clicked_at is not null',
  answered: `o.state = 'sent' and (${ANSWER}) is not null`,
  opted_out: `o.state = 'sent' and ${OPTED_OUT}`,
};

export interface BroadcastPerson {
  contact_id: string;
  name: string;
  at: Date | null;
  /** What they answered, or why it did not go. */
  words: string | null;
}

/** The people behind a number of a broadcast, as far as the scope sees them. @throws AppError not_found */
export async function listBroadcastPeople(
  scope: Scope,
  id: string,
  { what, limit, cursor }: { what: BroadcastPeople; limit: number; cursor?: string | null },
): Promise<Page<BroadcastPerson>> {
  const own = scope.runsOffice ? null : scope.userId;
  if (
    !(await reader().first(
      'select 1 from broadcasts where id = $1 and account_id = $2 and ($3::bigint is null or made_by = $3)',
      [id, scope.accountId, own],
    ))
  )
    throw notFound('broadcast');
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const after = readCursor(cursor, 1);
  const broadcast = `$${bind.push(id)}`;
  const keyset = after ? ` and o.id > $${bind.push(after[0])}::bigint` : '';
  const rows = await reader().rows<BroadcastPerson & { id: string }>(
    `select o.id, o.contact_id, ${nameSql('c')} as name,
       coalesce(${what === 'answered' ? `(${ANSWER})` : what === 'opened' ? 'o.opened_at' : what === 'clicked' ? 'o.clicked_at' : 'o.sent_at'}, o.due_at) as at,
       ${what === 'answered' ? `(select a.data->>'text' from activities a where a.contact_id = o.contact_id and a.at = (${ANSWER}) and a.kind = 'message' and a.direction = 'in' limit 1)` : what === 'held' ? 'o.error' : 'null::text'} as words
     from outbox o join contacts c on c.id = o.contact_id where o.broadcast_id = ${broadcast} and ${BEHIND[what]} and ${where}${keyset} order by o.id limit $${bind.push(limit + 1)}`,
    bind,
  );
  const page = pageOf(rows, limit, (row) => [row.id]);
  return { items: page.items.map(({ contact_id, name, at, words }) => ({ contact_id, name, at, words })), next: page.next };
}
