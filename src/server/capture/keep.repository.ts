/** What is kept of inquiries and of what follows from the choice; and what was kept of one that comes again. */
import { createHash } from 'node:crypto';
import { AppError, DUE_CHANNEL, LIVE_CHANNEL, type LiveEvent } from '@/core/shared';
import { askOf, type CleanInquiry } from '@/core/capture/schemas';
import { sentenceOf, type Because } from '@/core/contacts';
import { traceOf, type Handing, type Planned } from '../routing';
import type { Tx } from '../shared';
import type { Arrival, Captured } from './arrival';
import type { Admitted } from './match.repository';

const fingerprint = (raw: unknown): string => createHash('sha256').update(JSON.stringify(raw)).digest('base64url');

/** jsonb cannot hold the null character nor half of a surrogate pair; in the raw inquiry the replacement character stands for them. */
const storableJson = (value: unknown): string =>
  JSON.stringify(value)
    .replaceAll('\\u0000', '\\ufffd')
    .replace(/\\ud[89ab][0-9a-f]{2}(?!\\ud[c-f])|(?<!\\ud[89ab][0-9a-f]{2})\\ud[c-f][0-9a-f]{2}/gi, '\\ufffd');

/** What the same door answered to the same idempotency key; null the first time. @throws AppError idempotency_mismatch */
export async function capturedBefore(tx: Tx, arrival: Arrival): Promise<Captured | null> {
  if (!arrival.idempotencyKey) return null;
  const row = await tx.first<{
    id: string;
    contact_id: string;
    matched: boolean;
    owner_id: string | null;
    because: Because;
    agent: string | null;
    print: string;
  }>(
    `select i.id, i.contact_id, i.matched, i.owner_id, i.because, u.first_name || ' ' || u.last_name as agent, i.parsed->>'fingerprint' as print
     from inquiries i left join users u on u.id = i.owner_id where i.door_id = $1 and i.idempotency_key = $2`,
    [arrival.door.id, arrival.idempotencyKey],
  );
  if (!row) return null;
  if (row.print !== fingerprint(arrival.raw)) {
    throw new AppError(
      'idempotency_mismatch',
      'This Idempotency-Key was used for another inquiry. Nothing was kept of this one; send it with a new key.',
    );
  }
  return {
    inquiry: { id: row.id },
    contact: { id: row.contact_id, status: row.matched ? 'matched' : 'created' },
    routing: { agent: row.owner_id ? { id: row.owner_id, name: row.agent! } : null, because: sentenceOf(row.because) },
  };
}

/** An inquiry about which all is decided. */
export interface Settled {
  arrival: Arrival;
  inquiry: CleanInquiry;
  admitted: Admitted;
  plan: Planned;
  handing: Handing;
}

/**
 * All that follows from the choice, in one statement, because the rosters are locked until the commit: the inquiries with their reasons and their
 * traces, the offers, the owners, the turns that move on, the lines of the timeline (which no fact depends on), and the word to the agents.
 * @returns the ids of the inquiries, in their order
 */
export async function keepInquiries(tx: Tx, accountId: string, settled: readonly Settled[], at: Date): Promise<string[]> {
  const rows = await tx.rows<{ id: string }>(
    `with lead as materialized (
       select nextval('inquiries_id_seq') as id, x.* from (select * from jsonb_to_recordset($2::jsonb) as x (n int, door_id bigint, contact_id bigint, source text, raw jsonb, parsed jsonb, matched boolean, owner_id bigint,
         rung_id bigint, because jsonb, idempotency_key text, roster_id bigint, ends_at timestamptz, state text, hides text[], to_ids bigint[], version_id bigint, passing jsonb, trace jsonb, took_turn boolean, told text) order by n) x
     ), turn as (select * from jsonb_to_recordset($3::jsonb) as x (roster_id bigint, last_user_id bigint, credit jsonb)),
     made as (
       insert into inquiries (id, account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, idempotency_key, arrived_at) overriding system value
       select id, $1, door_id, contact_id, source, coalesce(raw, 'null'), parsed, matched, owner_id, rung_id, because, idempotency_key, $4 from lead
     ), offered as (
       insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, roster_id, ends_at, taken_at, commons, hides)
       select $1, l.id, l.contact_id, u, $4, case when l.owner_id is null then 'open' else 'given' end, l.roster_id, case when l.owner_id is null then l.ends_at end,
         case when l.owner_id is not null then $4::timestamptz end, l.state = 'commons', l.hides from lead l, unnest(l.to_ids) u
     ), routed as (
       insert into routings (inquiry_id, account_id, contact_id, version_id, rung_id, roster_id, state, passing, trace, begun_at, ends_at, owned_at)
       select id, $1, contact_id, version_id, rung_id, roster_id, state, passing, trace, $4, ends_at, case when owner_id is not null then $4::timestamptz end from lead
     ), owned as (
       update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $4 from lead l join users u on u.id = l.owner_id where c.id = l.contact_id and c.owner_id is distinct from u.id
     ), turned as (
       update rosters r set last_user_id = t.last_user_id, credit = t.credit from turn t where r.id = t.roster_id
     ), counted as (
       update roster_members m set handed = m.handed + h.n from (select l.roster_id, l.owner_id, count(*) as n from lead l where l.owner_id is not null and l.took_turn group by 1, 2) h
       where m.roster_id = h.roster_id and m.user_id = h.owner_id
     ), lines as (
       insert into activities (account_id, contact_id, at, kind, because) select $1, contact_id, $4, 'handed', because from lead order by n
     ), woken as materialized (select pg_notify($6, ''))
     select id, pg_notify($5, told) from lead, woken order by n`,
    [accountId, storableJson(settled.map(rowToKeep)), JSON.stringify(turnsOf(settled)), at, LIVE_CHANNEL, DUE_CHANNEL],
  );
  return rows.map(({ id }) => id);
}

function rowToKeep({ arrival, inquiry, admitted, plan, handing }: Settled, n: number) {
  const { door, raw, idempotencyKey } = arrival;
  const { owner, to } = handing;
  const told: LiveEvent = {
    accountId: door.accountId,
    topic: owner ? 'lead' : 'offer',
    contactId: admitted.contactId,
    ownerId: owner?.userId ?? '0',
    ...(to.length ? { userIds: to.map(({ userId }) => userId) } : {}),
  };
  return {
    n,
    door_id: door.id,
    contact_id: admitted.contactId,
    source: inquiry.source ?? door.name,
    raw,
    parsed: { ...inquiry, ask: askOf(inquiry), fingerprint: fingerprint(raw) },
    matched: admitted.matched,
    owner_id: owner?.userId ?? null,
    rung_id: plan.rung?.id ?? null,
    because: handing.because,
    idempotency_key: idempotencyKey,
    roster_id: handing.rosterId,
    ends_at: handing.endsAt,
    state: handing.state,
    hides: owner ? [] : handing.hides,
    to_ids: owner ? [owner.userId] : to.map(({ userId }) => userId),
    version_id: plan.version,
    passing: handing.passing,
    trace: traceOf(plan, handing),
    took_turn: handing.turn !== null,
    told: JSON.stringify(told),
  };
}

/** How the turn of each roster stands after the last of the leads that it handed on. */
function turnsOf(settled: readonly Settled[]) {
  const turns = new Map<string, { roster_id: string; last_user_id: string | null; credit: Record<string, number> }>();
  for (const { rosterId, turn } of settled.map(({ handing }) => handing))
    if (rosterId && turn) turns.set(rosterId, { roster_id: rosterId, last_user_id: turn.lastUserId, credit: turn.credit });
  return [...turns.values()];
}
