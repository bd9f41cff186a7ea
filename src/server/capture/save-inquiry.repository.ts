/** What is kept of an inquiry and of its way to an agent; and what was answered to one that comes again. */
import { createHash } from 'node:crypto';
import { AppError } from '@/core/shared';
import { askOf, storableJson, type CleanInquiry } from '@/core/capture/schemas';
import { matchSentence, type Matched } from '@/core/identity';
import { sentenceOf, type Because } from '@/core/contacts';
import { traceOf, type Handing, type Planned } from '../routing';
import { nameSql, type Tx } from '../shared';
import type { Arrival, CaptureResult } from './arrival';
import type { MatchResult } from './match.repository';

const fingerprint = (raw: unknown): string => createHash('sha256').update(JSON.stringify(raw)).digest('base64url');

/** What the same door answered to the same idempotency key; null the first time. @throws AppError idempotency_mismatch */
export async function findCaptured(tx: Tx, { door, raw, idempotencyKey }: Arrival): Promise<CaptureResult | null> {
  if (!idempotencyKey) return null;
  const row = await tx.first<{
    id: string;
    contact_id: string;
    matched: boolean;
    owner_id: string | null;
    because: Because;
    agent: string | null;
    print: string;
    match: Matched | null;
    by_hand: boolean;
  }>(
    `select i.id, i.match, exists (select 1 from doors d where d.id = i.door_id and d.kind = 'hand') as by_hand, i.contact_id, i.matched, i.owner_id, i.because, ${nameSql('u')} as agent, i.parsed->>'fingerprint' as print
     from inquiries i left join users u on u.id = i.owner_id where i.door_id = $1 and i.idempotency_key = $2`,
    [door.id, idempotencyKey],
  );
  if (!row) return null;
  if (row.print !== fingerprint(raw))
    throw new AppError(
      'idempotency_mismatch',
      'This Idempotency-Key was used for another inquiry. This one wasn’t saved. Send it with a new key.',
    );
  return {
    inquiry: { id: row.id },
    contact: {
      id: row.contact_id,
      status: row.matched ? 'matched' : 'created',
      because: row.match && !row.by_hand ? matchSentence(row.match) : null,
    },
    routing: { agent: row.owner_id ? { id: row.owner_id, name: row.agent! } : null, because: sentenceOf(row.because) },
  };
}

/** An inquiry about which all is decided. */
export interface DecidedInquiry {
  arrival: Arrival;
  inquiry: CleanInquiry;
  contact: MatchResult;
  matched: Matched | null;
  plan: Planned;
  handing: Handing;
}

/**
 * Keeps an inquiry raw and read, its way with the offers to whom it was put, whose turn was used and whose the contact is; in one statement, because whoever comes next
 * waits for the roster.
 * @returns its id
 */
export async function saveInquiry(
  tx: Tx,
  { arrival, inquiry, contact, matched, plan, handing }: DecidedInquiry,
  at: Date,
): Promise<string> {
  const { door, raw, idempotencyKey } = arrival;
  const { owner, to, state, rosterId, endsAt, turn } = handing;
  const row = await tx.first<{ id: string }>(
    `with inquiry as (
       insert into inquiries (account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, idempotency_key, arrived_at, match)
       values ($1, $2, $3, $4, coalesce($5::jsonb, 'null'), $6::jsonb, $7, $8, $9, $10::jsonb, $11, $12::timestamptz, $27::jsonb) returning id
     ), offered as (
       insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, roster_id, ends_at, taken_at, commons, hides)
       select $1, inquiry.id, $3, u, $12::timestamptz, $13, $14, $15, $16::timestamptz, $17, $18::text[] from inquiry, unnest($19::bigint[]) u
     ), routed as (
       insert into routings (inquiry_id, account_id, contact_id, version_id, rung_id, roster_id, state, passing, trace, begun_at, ends_at, owned_at)
       select id, $1, $3, $20, $9, $14, $21, $22::jsonb, $23::jsonb, $12::timestamptz, $24::timestamptz, $16::timestamptz from inquiry
     ), turned as (
       update rosters set last_user_id = $25, credit = $26::jsonb where id = $14 and $26::jsonb is not null
     ), counted as (
       update roster_members set handed = handed + 1 where roster_id = $14 and user_id = $8 and $26::jsonb is not null
     ), owned as (
       update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = case when c.owner_id is distinct from u.id then $12::timestamptz else c.owned_since end
       from users u where u.id = $8 and c.id = $3
     )
     select id from inquiry`,
    [
      door.accountId,
      door.id,
      contact.contactId,
      inquiry.source ?? door.name,
      storableJson(raw ?? null),
      storableJson({ ...inquiry, ask: askOf(inquiry), fingerprint: fingerprint(raw) }),
      contact.matched,
      owner?.userId ?? null,
      plan.rung?.id ?? null,
      JSON.stringify(handing.because),
      idempotencyKey,
      at,
      owner ? 'given' : 'open',
      rosterId,
      owner ? null : endsAt,
      owner ? at : null,
      state === 'commons',
      owner ? [] : handing.hides,
      owner ? [owner.userId] : to.map(({ userId }) => userId),
      plan.version,
      state,
      handing.passing && JSON.stringify(handing.passing),
      JSON.stringify(traceOf(plan, handing)),
      endsAt,
      turn?.lastUserId ?? null,
      turn && JSON.stringify(turn.credit),
      matched && storableJson(matched),
    ],
  );
  return row!.id;
}
