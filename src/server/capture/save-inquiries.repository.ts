/** What is kept of inquiries and of what follows from the choice; and what was kept of one that comes again. */
import { createHash } from 'node:crypto';
import { AppError, DUE_CHANNEL, LIVE_CHANNEL, type LiveEvent } from '@/core/shared';
import { askOf, storableJson, type CleanInquiry } from '@/core/capture/schemas';
import { sentenceOf, type Because } from '@/core/contacts';
import { traceOf, type Handing, type Planned } from '../routing';
import type { Statement, Tx } from '../shared';
import type { Arrival, CaptureResult } from './arrival';
import type { MatchResult } from './match.repository';

const fingerprint = (raw: unknown): string => createHash('sha256').update(JSON.stringify(raw)).digest('base64url');

/** What the same door answered to the same idempotency key, for each arrival; null the first time. @throws AppError idempotency_mismatch */
export async function capturedBefore(tx: Tx, arrivals: readonly Arrival[]): Promise<(CaptureResult | null)[]> {
  const keyed = arrivals.flatMap(({ door, idempotencyKey }, n) =>
    idempotencyKey ? [{ n, door_id: door.id, key: idempotencyKey }] : [],
  );
  if (!keyed.length) return arrivals.map(() => null);
  const rows = await tx.rows<{
    n: number;
    id: string;
    contact_id: string;
    matched: boolean;
    owner_id: string | null;
    because: Because;
    agent: string | null;
    print: string;
  }>(
    `select x.n, i.id, i.contact_id, i.matched, i.owner_id, i.because, u.first_name || ' ' || u.last_name as agent, i.parsed->>'fingerprint' as print
     from jsonb_to_recordset($1::jsonb) as x (n int, door_id bigint, key text) join inquiries i on i.door_id = x.door_id and i.idempotency_key = x.key left join users u on u.id = i.owner_id`,
    [JSON.stringify(keyed)],
  );
  return arrivals.map(({ raw }, n) => {
    const row = rows.find((one) => one.n === n);
    if (!row) return null;
    if (row.print !== fingerprint(raw)) {
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
  });
}

/** An inquiry about which all is decided. */
export interface SavedInquiry {
  arrival: Arrival;
  inquiry: CleanInquiry;
  person: MatchResult;
  plan: Planned;
  handing: Handing;
}

/**
 * Adds to a statement all that follows from the choice: the inquiries with their reasons and their traces, the offers, the turns that move on,
 * and, when it is answered, the word to the agents. One statement, because the rosters are locked until the commit.
 * @returns what the statement answers: `id` of the inquiries, in their order
 */
export function putInquiries(statement: Statement, accountId: string, settled: readonly SavedInquiry[], at: Date): string {
  const account = `${statement.value(accountId)}::bigint`;
  const when = `${statement.value(at)}::timestamptz`;
  statement.part(
    'lead',
    `materialized (
       select nextval('inquiries_id_seq') as id, x.* from (select * from jsonb_to_recordset(${statement.value(storableJson(settled.map(rowToKeep)))}::jsonb) as x (n int, door_id bigint, contact_id bigint, source text, raw jsonb, parsed jsonb,
         matched boolean, owner_id bigint, rung_id bigint, because jsonb, idempotency_key text, roster_id bigint, ends_at timestamptz, state text, hides text[], to_ids bigint[], version_id bigint, passing jsonb, trace jsonb, took_turn boolean,
         told text) order by n) x)`,
  );
  statement.part(
    'asked',
    `(insert into inquiries (id, account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, idempotency_key, arrived_at) overriding system value
       select id, ${account}, door_id, contact_id, source, coalesce(raw, 'null'), parsed, matched, owner_id, rung_id, because, idempotency_key, ${when} from lead)`,
  );
  statement.part(
    'offered',
    `(insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, roster_id, ends_at, taken_at, commons, hides)
       select ${account}, l.id, l.contact_id, u, ${when}, case when l.owner_id is null then 'open' else 'given' end, l.roster_id, case when l.owner_id is null then l.ends_at end,
         case when l.owner_id is not null then ${when} end, l.state = 'commons', l.hides from lead l, unnest(l.to_ids) u)`,
  );
  statement.part(
    'routed',
    `(insert into routings (inquiry_id, account_id, contact_id, version_id, rung_id, roster_id, state, passing, trace, begun_at, ends_at, owned_at)
       select id, ${account}, contact_id, version_id, rung_id, roster_id, state, passing, trace, ${when}, ends_at, case when owner_id is not null then ${when} end from lead)`,
  );
  statement.part(
    'turned',
    `(update rosters r set last_user_id = t.last_user_id, credit = t.credit from jsonb_to_recordset(${statement.json(turnsOf(settled))}) as t (roster_id bigint, last_user_id bigint, credit jsonb) where r.id = t.roster_id)`,
  );
  statement.part(
    'counted',
    `(update roster_members m set handed = m.handed + h.n from (select l.roster_id, l.owner_id, count(*) as n from lead l where l.owner_id is not null and l.took_turn group by 1, 2) h
       where m.roster_id = h.roster_id and m.user_id = h.owner_id)`,
  );
  statement.part('woken', `materialized (select pg_notify(${statement.value(DUE_CHANNEL)}, ''))`);
  return `select id, pg_notify(${statement.value(LIVE_CHANNEL)}, told) from lead, woken order by n`;
}

function rowToKeep({ arrival, inquiry, person, plan, handing }: SavedInquiry, n: number) {
  const { door, raw, idempotencyKey } = arrival;
  const { owner, to } = handing;
  const told: LiveEvent = {
    accountId: door.accountId,
    topic: owner ? 'lead' : 'offer',
    contactId: person.contactId,
    ownerId: owner?.userId ?? '0',
    ...(to.length ? { userIds: to.map(({ userId }) => userId) } : {}),
  };
  return {
    n,
    door_id: door.id,
    contact_id: person.contactId,
    source: inquiry.source ?? door.name,
    raw,
    parsed: { ...inquiry, ask: askOf(inquiry), fingerprint: fingerprint(raw) },
    matched: person.matched,
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
function turnsOf(settled: readonly SavedInquiry[]) {
  const turns = new Map<string, { roster_id: string; last_user_id: string | null; credit: Record<string, number> }>();
  for (const { rosterId, turn } of settled.map(({ handing }) => handing))
    if (rosterId && turn) turns.set(rosterId, { roster_id: rosterId, last_user_id: turn.lastUserId, credit: turn.credit });
  return [...turns.values()];
}
