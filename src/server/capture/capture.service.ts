/**
 * Taking in one inquiry, whichever door it came by: kept raw, matched to a contact or made a new one, handed to an agent,
 * enrolled, told. One transaction; two equal leads at the same moment meet at a lock on their addresses.
 */
import { createHash } from 'node:crypto';
import { AppError, DUE_CHANNEL, LIVE_CHANNEL, type LiveEvent } from '@/core/shared';
import { leadOf, type Fixed } from '@/core/routing';
import { fullName, runsTheOffice, type Person } from '@/core/accounts';
import { withDefaults } from '@/core/capture';
import { askOf, withListing, type CleanInquiry } from '@/core/capture/schemas';
import type { ListingView } from '@/core/market';
import { sentenceOf, type Activity, type Because, type Stage } from '@/core/contacts';
import { beginInquiry, enrolArrival } from '../campaigns';
import { changePermissions, lettersTo, permissionActivity, recordActivities, type PermissionChange } from '../contacts';
import { listingAskedAbout } from '../market';
import { attachByRung, handPlanned, ladderNow, noticeAgents, planRoute, traceOf, type Handing, type Planned } from '../routing';
import { transact, type Tx } from '../shared';
import { beginArrival } from './begin';
import { sourceNamed } from './sources';
import type { Door } from './doors.repository';
import { admit, matchContact, type Admitted } from './match.repository';

/** What of a door an arrival needs. */
export type ArrivalDoor = Pick<Door, 'id' | 'accountId' | 'kind' | 'name' | 'source' | 'defaults'>;

export interface Arrival {
  door: ArrivalDoor;
  raw: unknown;
  inquiry: CleanInquiry;
  idempotencyKey: string | null;
  /** Who typed it in, for a lead added by hand. */
  byPerson: Person | null;
  /** Tried out: all is done as for a lead, answered, and taken back. */
  sandbox?: boolean;
}

/** What `POST /api/v1/inquiries` answers. */
export interface Captured {
  inquiry: { id: string };
  contact: { id: string; status: 'created' | 'matched' };
  /** `agent` is null while the lead is offered and nobody has accepted it yet. */
  routing: { agent: { id: string; name: string } | null; because: string };
}

/** What the same answers when it is only tried out. */
export interface Tried extends Omit<Captured, 'inquiry' | 'contact'> {
  sandbox: true;
  /** The id of whom it would be matched with; null for somebody new. */
  contact: { id: string | null; status: 'created' | 'matched' };
  /** What was understood. */
  read: CleanInquiry;
}
/** Thrown to take back what was only tried out. */
class OnlyTried extends Error {
  constructor(readonly captured: Captured) {
    super('tried out');
  }
}

/** Tries an inquiry out: matched, routed and answered as in truth, and nothing of it kept, told or sent. */
export async function tryInquiry(arrival: Arrival): Promise<Tried> {
  const { inquiry } = arrival;
  try {
    await captureInquiry({ ...arrival, idempotencyKey: null, sandbox: true });
  } catch (error) {
    if (!(error instanceof OnlyTried)) throw error;
    const { contact, routing } = error.captured;
    return {
      sandbox: true,
      contact: { id: contact.status === 'matched' ? contact.id : null, status: contact.status },
      routing,
      read: withDefaults(inquiry, arrival.door.source, arrival.door.defaults),
    };
  }
  throw new Error('what is tried out is taken back');
}

const fingerprint = (raw: unknown): string => createHash('sha256').update(JSON.stringify(raw)).digest('base64url');

/** Takes in an inquiry. The same idempotency key by the same door answers as the first time. @throws AppError idempotency_mismatch when it comes with another body */
export async function captureInquiry(came: Arrival): Promise<Captured> {
  const arrival = { ...came, inquiry: withDefaults(came.inquiry, came.door.source, came.door.defaults) };
  return transact(async (tx) => {
    const { door } = arrival;
    let { inquiry } = arrival;
    const { at, tagPlaces } = await beginArrival(tx, door.accountId, [
      ...inquiry.emails,
      ...inquiry.phones,
      ...(arrival.idempotencyKey ? [`key ${arrival.idempotencyKey}`] : []),
    ]);
    if (arrival.idempotencyKey) {
      const before = await capturedBefore(tx, arrival);
      if (before) return before;
    }
    if (inquiry.source)
      arrival.inquiry = inquiry = { ...inquiry, source: await sourceNamed(tx, door.accountId, inquiry.source, at) };
    const { id, address } = inquiry.listing;
    const listed = id || address ? await listingAskedAbout(tx, door.accountId, { id, address }) : null;
    if (listed) arrival.inquiry = inquiry = withListing(inquiry, listed);
    const known = await matchContact(tx, door.accountId, inquiry);
    const admitted = await admit(tx, door.accountId, known, inquiry, { tagPlaces, horizon: door.defaults.horizon ?? null }, at);
    const permissions = await changePermissions(tx, door.accountId, permissionChanges(arrival, admitted.contactId, at));
    const fixed = await keptBy(tx, arrival, admitted, listed);
    const lead = leadOf(door.id, inquiry, inquiry.source ?? door.name, admitted.matched);
    const plan = await planRoute(tx, door.accountId, admitted.contactId, lead, fixed, at);
    const { rung } = plan;
    if (rung) await attachByRung(tx, door.accountId, rung, admitted.contactId, at);
    const campaignId = plan.joined ? null : (rung?.campaignId ?? door.defaults.campaign_id ?? null);
    const enrollee = {
      contactId: admitted.contactId,
      stage: admitted.stage as Stage,
      timeZone: admitted.timeZone,
      onThePhone: inquiry.onThePhone,
    };
    const asked = { contactId: admitted.contactId, doorId: door.id, source: inquiry.source };
    const begun = inquiry.onThePhone ? [] : await beginInquiry(tx, door.accountId, asked, at);
    const enrolled = campaignId && plan.atOnce ? await enrolArrival(tx, door.accountId, campaignId, enrollee, at) : null;
    await recordActivities(
      tx,
      door.accountId,
      [
        arrivalLine(arrival, admitted, at),
        ...permissions.map((change) => permissionActivity(admitted.contactId, change)),
        ...begun,
        ...(enrolled ? [enrolled] : []),
      ],
      { ...(admitted.fresh ? { fresh: [admitted.fresh] } : {}), told: true },
    );
    const handing = await handPlanned(tx, door.accountId, plan, at);
    const inquiryId = await settleHanding(tx, arrival, admitted, plan, handing, at);
    if (rung?.notify.length)
      await noticeAgents(tx, { accountId: door.accountId, inquiryId, contactId: admitted.contactId, channels: rung.notify, at });
    const captured: Captured = {
      inquiry: { id: inquiryId },
      contact: { id: admitted.contactId, status: admitted.matched ? 'matched' : 'created' },
      routing: {
        agent: handing.owner && { id: handing.owner.userId, name: handing.owner.name },
        because: sentenceOf(handing.because),
      },
    };
    if (arrival.sandbox) throw new OnlyTried(captured);
    return captured;
  });
}

async function capturedBefore(tx: Tx, arrival: Arrival): Promise<Captured | null> {
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

/** Who has the lead before any rung is asked: the agent of a returning person, whoever adds it by hand (but for those who run the office), the agent whom the source names, the agent of our own listing when the ladder says so. */
async function keptBy(
  tx: Tx,
  { door, byPerson, inquiry }: Arrival,
  admitted: Admitted,
  listed: ListingView | null,
): Promise<Fixed | null> {
  if (admitted.owner) return { why: 'returning', userId: admitted.owner.id, agent: admitted.owner.name };
  if (byPerson && !runsTheOffice(byPerson.role) && byPerson.role !== 'lender')
    return { why: 'kept_by_hand', userId: byPerson.id, agent: fullName(byPerson) };
  const named = inquiry.assignedTo ? await agentNamed(tx, door.accountId, inquiry.assignedTo) : null;
  if (named) return { why: 'source_assigned', userId: named.id, agent: named.name };
  if (!listed?.agent || !(await ladderNow(tx, door.accountId)).ladder.ownListing) return null;
  return { why: 'own_listing', userId: listed.agent.id, agent: listed.agent.name, listing: listed.address };
}

const agentNamed = (tx: Tx, accountId: string, email: string): Promise<{ id: string; name: string } | null> =>
  tx.first<{ id: string; name: string }>(
    `select id, first_name || ' ' || last_name as name from users where account_id = $1 and email = $2 and active and role <> 'lender'`,
    [accountId, email],
  );

const HOW: Record<Door['kind'], string> = {
  api: 'said so to the lead source',
  page: 'said so on the web form',
  hand: 'told the agent',
  mail: 'wrote to us',
  file: 'said so to whoever kept the file',
};

function permissionChanges({ door, inquiry, raw }: Arrival, contactId: string, at: Date): PermissionChange[] {
  const evidence = JSON.stringify((raw as { permissions?: unknown } | null)?.permissions ?? {}).slice(0, 2_000);
  const addresses = { call: inquiry.phones, text: inquiry.phones, email: inquiry.emails, letter: [lettersTo(contactId)] };
  return (['call', 'text', 'email', 'letter'] as const).flatMap((channel) => {
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

/**
 * All that follows from the choice, in one statement, because the roster is locked until the commit: the inquiry with its reason and its trace,
 * the offers, the owner, the turn that moves on, the line of the timeline (which no fact depends on), and the word to the agents.
 */
async function settleHanding(
  tx: Tx,
  arrival: Arrival,
  admitted: Admitted,
  plan: Planned,
  handing: Handing,
  at: Date,
): Promise<string> {
  const { door, inquiry, raw } = arrival;
  const { owner } = handing;
  const told: LiveEvent = {
    accountId: door.accountId,
    topic: owner ? 'lead' : 'offer',
    contactId: admitted.contactId,
    ownerId: owner?.userId ?? '0',
    ...(handing.to.length ? { userIds: handing.to.map(({ userId }) => userId) } : {}),
  };
  const row = await tx.first<{ id: string }>(
    `with made as (
       insert into inquiries (account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, idempotency_key, arrived_at)
       values ($1, $2, $3, $4, $5::jsonb, $6::jsonb, $7, $8, $9, $10::jsonb, $11, $12) returning id
     ), offered as (
       insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, roster_id, ends_at, taken_at, commons, hides)
       select $1, made.id, $3, u, $12, case when $8::bigint is null then 'open' else 'given' end, $13, case when $8::bigint is null then $19::timestamptz end,
         case when $8::bigint is not null then $12::timestamptz end, $20 = 'commons', $21::text[] from made, unnest($22::bigint[]) u
     ), routed as (
       insert into routings (inquiry_id, account_id, contact_id, version_id, rung_id, roster_id, state, passing, trace, begun_at, ends_at, owned_at)
       select made.id, $1, $3, $23, $9, $13, $20, $24::jsonb, $25::jsonb, $12, $19, case when $8::bigint is not null then $12::timestamptz end from made
     ), owned as (
       update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $12 from users u where c.id = $3 and u.id = $8 and c.owner_id is distinct from u.id
     ), turned as (
       update rosters set last_user_id = $17, credit = $18::jsonb where id = $13 and $18::jsonb is not null
     ), counted as (
       update roster_members set handed = handed + 1 where roster_id = $13 and user_id = $8 and $18::jsonb is not null
     ), line as (
       insert into activities (account_id, contact_id, at, kind, because) values ($1, $3, $12, 'handed', $10::jsonb)
     ) select id, pg_notify($14, $15), pg_notify($16, '') from made`,
    [
      door.accountId,
      door.id,
      admitted.contactId,
      inquiry.source ?? door.name,
      storableJson(raw),
      storableJson({ ...inquiry, ask: askOf(inquiry), fingerprint: fingerprint(raw) }),
      admitted.matched,
      owner?.userId ?? null,
      plan.rung?.id ?? null,
      JSON.stringify(handing.because),
      arrival.idempotencyKey,
      at,
      handing.rosterId,
      LIVE_CHANNEL,
      JSON.stringify(told),
      DUE_CHANNEL,
      handing.turn?.lastUserId ?? null,
      handing.turn ? JSON.stringify(handing.turn.credit) : null,
      handing.endsAt,
      handing.state,
      owner ? [] : handing.hides,
      owner ? [owner.userId] : handing.to.map(({ userId }) => userId),
      plan.version,
      handing.passing ? JSON.stringify(handing.passing) : null,
      JSON.stringify(traceOf(plan, handing)),
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
  data: { text: askOf(inquiry), door: door.name, from: inquiry.source ?? undefined, partner: inquiry.partner ?? undefined },
  because: null,
});
