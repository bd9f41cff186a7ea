/** What is kept of an inquiry and of its way to an agent; and what was answered to one that comes again. */
import { createHash } from 'node:crypto';
import { AppError } from '@/core/shared';
import { askOf, storableJson, type CleanInquiry } from '@/core/capture/schemas';
import { sentenceOf, type Because } from '@/core/contacts';
import { traceOf, type Handing, type Planned } from '../routing';
import type { Tx } from '../shared';
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
  }>(
    `select i.id, i.contact_id, i.matched, i.owner_id, i.because, u.first_name || ' ' || u.last_name as agent, i.parsed->>'fingerprint' as print
     from inquiries i left join users u on u.id = i.owner_id where i.door_id = $1 and i.idempotency_key = $2`,
    [door.id, idempotencyKey],
  );
  if (!row) return null;
  if (row.print !== fingerprint(raw))
    throw new AppError(
      'idempotency_mismatch',
      'This Idempotency-Key was used for another inquiry. Nothing was kept of this one; send it with a new key.',
    );
  return {
    inquiry: { id: row.id },
    contact: { id: row.contact_id, status: row.matched ? 'matched' : 'created' },
    routing: { agent: row.owner_id ? { id: row.owner_id, name: row.agent! } : null, because: sentenceOf(row.because) },
  };
}

/** An inquiry about which all is decided. */
interface DecidedInquiry {
  arrival: Arrival;
  inquiry: CleanInquiry;
  contact: MatchResult;
  plan: Planned;
  handing: Handing;
}

/** Keeps an inquiry raw and read, with who has it and why. @returns its id */
export async function saveInquiry(
  tx: Tx,
  { arrival, inquiry, contact, plan, handing }: DecidedInquiry,
  at: Date,
): Promise<string> {
  const { door, raw, idempotencyKey } = arrival;
  const row = await tx.first<{ id: string }>(
    `insert into inquiries (account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, idempotency_key, arrived_at)
     values ($1, $2, $3, $4, coalesce($5::jsonb, 'null'), $6::jsonb, $7, $8, $9, $10::jsonb, $11, $12) returning id`,
    [
      door.accountId,
      door.id,
      contact.contactId,
      inquiry.source ?? door.name,
      storableJson(raw ?? null),
      storableJson({ ...inquiry, ask: askOf(inquiry), fingerprint: fingerprint(raw) }),
      contact.matched,
      handing.owner?.userId ?? null,
      plan.rung?.id ?? null,
      JSON.stringify(handing.because),
      idempotencyKey,
      at,
    ],
  );
  return row!.id;
}

/** Keeps the way of an inquiry: offers to whom it was put, where it stands, and whose turn was used. */
export async function saveRouting(
  tx: Tx,
  {
    accountId,
    inquiryId,
    contactId,
    plan,
    handing,
  }: {
    accountId: string;
    inquiryId: string;
    contactId: string;
    plan: Planned;
    handing: Handing;
  },
  at: Date,
): Promise<void> {
  const { owner, to, state, rosterId, endsAt, turn } = handing;
  await tx.run(
    `insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, roster_id, ends_at, taken_at, commons, hides)
     select $1, $2, $3, u, $4::timestamptz, $5, $6, $7, $8::timestamptz, $9, $10::text[] from unnest($11::bigint[]) u`,
    [
      accountId,
      inquiryId,
      contactId,
      at,
      owner ? 'given' : 'open',
      rosterId,
      owner ? null : endsAt,
      owner ? at : null,
      state === 'commons',
      owner ? [] : handing.hides,
      owner ? [owner.userId] : to.map(({ userId }) => userId),
    ],
  );
  await tx.run(
    `insert into routings (inquiry_id, account_id, contact_id, version_id, rung_id, roster_id, state, passing, trace, begun_at, ends_at, owned_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8::jsonb, $9::jsonb, $10, $11, $12)`,
    [
      inquiryId,
      accountId,
      contactId,
      plan.version,
      plan.rung?.id ?? null,
      rosterId,
      state,
      handing.passing && JSON.stringify(handing.passing),
      JSON.stringify(traceOf(plan, handing)),
      at,
      endsAt,
      owner ? at : null,
    ],
  );
  if (!rosterId || !turn) return;
  await tx.run('update rosters set last_user_id = $2, credit = $3::jsonb where id = $1', [
    rosterId,
    turn.lastUserId,
    JSON.stringify(turn.credit),
  ]);
  if (owner)
    await tx.run('update roster_members set handed = handed + 1 where roster_id = $1 and user_id = $2', [rosterId, owner.userId]);
}
