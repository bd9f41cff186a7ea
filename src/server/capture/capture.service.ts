/**
 * Taking in one inquiry, whichever door it came by: kept raw, matched to a contact or made a new one, handed to an agent,
 * enrolled, told. One transaction; two equal leads at the same moment meet at a lock on their addresses.
 */
import { createHash } from 'node:crypto';
import { AppError } from '@/core/shared';
import { fullName, runsTheOffice, type Person } from '@/core/accounts';
import { askOf, type CleanInquiry } from '@/core/capture';
import { sentenceOf, type Activity, type Because, type Stage } from '@/core/contacts';
import { enrolArrival } from '../campaigns';
import { changePermissions, permissionActivity, recordActivities, type PermissionChange } from '../contacts';
import { routeByLadder, type Routed } from '../routing';
import { now, publish, transact, wakeWorkers, type Tx } from '../shared';
import type { Door } from './doors.repository';
import { admit, lockAddresses, matchContact, type Admitted } from './match.repository';

export interface Arrival {
  door: Door;
  raw: unknown;
  inquiry: CleanInquiry;
  idempotencyKey: string | null;
  /** Who typed it in, for a lead added by hand. */
  byPerson: Person | null;
}

/** What `POST /api/v1/inquiries` answers. */
export interface Captured {
  inquiry: { id: string };
  contact: { id: string; status: 'created' | 'matched' };
  routing: { agent: { id: string; name: string }; because: string };
}

const fingerprint = (raw: unknown): string => createHash('sha256').update(JSON.stringify(raw)).digest('base64url');

/** Takes in an inquiry. The same idempotency key by the same door answers as the first time. @throws AppError idempotency_mismatch when it comes with another body */
export async function captureInquiry(arrival: Arrival): Promise<Captured> {
  return transact(async (tx) => {
    const { door, inquiry } = arrival;
    await lockAddresses(tx, door.accountId, [
      ...inquiry.emails,
      ...inquiry.phones,
      ...(arrival.idempotencyKey ? [`key ${arrival.idempotencyKey}`] : []),
    ]);
    if (arrival.idempotencyKey) {
      const before = await capturedBefore(tx, arrival);
      if (before) return before;
    }
    const at = await now(tx);
    const known = await matchContact(tx, door.accountId, inquiry);
    const admitted = await admit(tx, door.accountId, known, inquiry, at);
    const permissions = await changePermissions(tx, door.accountId, permissionChanges(arrival, at));
    const routed = await route(tx, arrival, admitted, at);
    const inquiryId = await insertInquiry(tx, arrival, admitted, routed, at);
    const enrolled = routed.campaignId
      ? await enrolArrival(
          tx,
          door.accountId,
          routed.campaignId,
          {
            contactId: admitted.contactId,
            stage: admitted.stage as Stage,
            timeZone: admitted.timeZone,
            onThePhone: inquiry.onThePhone,
          },
          at,
        )
      : null;
    await recordActivities(tx, door.accountId, [
      arrivalLine(arrival, admitted, at),
      ...permissions.map((change) => permissionActivity(admitted.contactId, change)),
      handedLine(admitted.contactId, routed, at),
      ...(enrolled ? [enrolled] : []),
    ]);
    await publish(tx, { accountId: door.accountId, topic: 'lead', contactId: admitted.contactId, ownerId: routed.userId });
    await wakeWorkers(tx);
    return {
      inquiry: { id: inquiryId },
      contact: { id: admitted.contactId, status: admitted.matched ? 'matched' : 'created' },
      routing: { agent: { id: routed.userId, name: routed.agentName }, because: sentenceOf(routed.because) },
    };
  });
}

async function capturedBefore(tx: Tx, arrival: Arrival): Promise<Captured | null> {
  const row = await tx.first<{
    id: string;
    contact_id: string;
    matched: boolean;
    owner_id: string;
    because: Because;
    agent: string;
    print: string;
  }>(
    `select i.id, i.contact_id, i.matched, i.owner_id, i.because, u.first_name || ' ' || u.last_name as agent, i.parsed->>'fingerprint' as print
     from inquiries i join users u on u.id = i.owner_id where i.door_id = $1 and i.idempotency_key = $2`,
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
    routing: { agent: { id: row.owner_id, name: row.agent }, because: sentenceOf(row.because) },
  };
}

/** A returning person stays with their agent; whoever adds a lead by hand keeps it, unless they run the office; else the ladder decides. */
async function route(tx: Tx, { door, inquiry, byPerson }: Arrival, admitted: Admitted, at: Date): Promise<Routed> {
  if (admitted.owner) {
    const campaignId = await campaignFor(tx, door.accountId, inquiry.roles);
    return {
      userId: admitted.owner.id,
      agentName: admitted.owner.name,
      rungId: null,
      campaignId,
      because: { why: 'returning', agent: admitted.owner.name },
    };
  }
  const routed: Routed =
    byPerson && !runsTheOffice(byPerson.role) && byPerson.role !== 'lender'
      ? {
          userId: byPerson.id,
          agentName: fullName(byPerson),
          rungId: null,
          campaignId: await campaignFor(tx, door.accountId, inquiry.roles),
          because: { why: 'kept_by_hand', agent: fullName(byPerson) },
        }
      : await routeByLadder(tx, door.accountId, inquiry.roles, at);
  await tx.run(
    'update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $3 from users u where c.id = $1 and u.id = $2',
    [admitted.contactId, routed.userId, at],
  );
  return routed;
}

/** The campaign that an arrival with these roles begins, whoever it stays with. */
async function campaignFor(tx: Tx, accountId: string, roles: string[]): Promise<string | null> {
  const row = await tx.first<{ campaign_id: string | null }>(
    `select campaign_id from rungs where account_id = $1 and (roles = '{}' or roles && $2::text[]) order by position limit 1`,
    [accountId, roles],
  );
  return row?.campaign_id ?? null;
}

const HOW: Record<Door['kind'], string> = {
  api: 'said so to the lead source',
  page: 'said so on the web form',
  hand: 'told the agent',
  mail: 'wrote to us',
};

function permissionChanges({ door, inquiry, raw }: Arrival, at: Date): PermissionChange[] {
  const evidence = JSON.stringify((raw as { permissions?: unknown } | null)?.permissions ?? {}).slice(0, 2_000);
  const addresses = { call: inquiry.phones, text: inquiry.phones, email: inquiry.emails };
  return (['call', 'text', 'email'] as const).flatMap((channel) => {
    const said = inquiry.permissions[channel];
    if (said === undefined) return [];
    return addresses[channel].map((address) => ({
      channel,
      address,
      state: said ? ('granted' as const) : ('withdrawn' as const),
      how: `${HOW[door.kind]}, “${door.name}”`,
      evidence,
      at,
    }));
  });
}

async function insertInquiry(tx: Tx, arrival: Arrival, admitted: Admitted, routed: Routed, at: Date): Promise<string> {
  const row = await tx.first<{ id: string }>(
    `with made as (
       insert into inquiries (account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, idempotency_key, arrived_at)
       values ($1, $2, $3, $4, $5::jsonb, $6::jsonb, $7, $8, $9, $10::jsonb, $11, $12) returning id
     ), offered as (
       insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at) select $1, id, $3, $8, $12 from made
     ) select id from made`,
    [
      arrival.door.accountId,
      arrival.door.id,
      admitted.contactId,
      arrival.inquiry.source ?? arrival.door.name,
      storableJson(arrival.raw),
      storableJson({ ...arrival.inquiry, ask: askOf(arrival.inquiry), fingerprint: fingerprint(arrival.raw) }),
      admitted.matched,
      routed.userId,
      routed.rungId,
      JSON.stringify(routed.because),
      arrival.idempotencyKey,
      at,
    ],
  );
  return row!.id;
}

/** jsonb cannot hold the null character; in the raw inquiry it stands as the replacement character. */
const storableJson = (value: unknown): string =>
  JSON.stringify(value)
    .replaceAll('\\u0000', '\\ufffd')
    .replace(/\\ud[89ab][0-9a-f]{2}(?!\\ud[c-f])|(?<!\\ud[89ab][0-9a-f]{2})\\ud[c-f][0-9a-f]{2}/gi, '\\ufffd');

const arrivalLine = ({ door, inquiry, byPerson }: Arrival, admitted: Admitted, at: Date): Activity => ({
  contactId: admitted.contactId,
  userId: byPerson?.id ?? null,
  at,
  kind: 'inquiry',
  channel: null,
  direction: 'in',
  data: { text: askOf(inquiry), door: door.name, from: inquiry.source ?? undefined },
  because: null,
});

const handedLine = (contactId: string, routed: Routed, at: Date): Activity => ({
  contactId,
  userId: null,
  at,
  kind: 'handed',
  channel: null,
  direction: null,
  data: {},
  because: routed.because,
});
