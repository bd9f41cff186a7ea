/**
 * Taking in an inquiry, whichever door it came by, in the order of the trade: read, matched to a contact or made a new one, kept raw, sent its
 * way by the ladder, enrolled, handed to an agent, told. One transaction; two equal leads meet at a lock on their addresses.
 */
import { AppError, snaked } from '@/core/shared';
import { leadOf, type Fixed } from '@/core/routing';
import { fullName, runsTheOffice, scopeFor } from '@/core/accounts';
import { mayMakeTags } from '@/core/tags';
import { withDefaults } from '@/core/capture';
import { matchSentence, type Choice, type Matched } from '@/core/identity';
import { askOf, withListing, type CleanInquiry } from '@/core/capture/schemas';
import type { ListingView } from '@/core/market';
import { CHANNEL_KEYS, sentenceOf, type Activity, type Stage } from '@/core/contacts';
import { beginInquiry, begunByInquiry, enrollArrived } from '../campaigns';
import {
  addressesOf,
  changePermissions,
  isVisible,
  ownAddresses,
  permissionActivity,
  recordActivities,
  type PermissionChange,
} from '../contacts';
import { listingAskedAbout } from '../market';
import { attachByRung, handedLine, handOver, ladderNow, noticeAgents, planRoute, type Planned } from '../routing';
import { nameSql, publishAndWake, transact, type Tx } from '../shared';
import { beginArrival, type Begun } from './begin';
import {
  addTags,
  agentOfSharers,
  completeContact,
  createContact,
  findHolders,
  lockMatched,
  proposeDuplicates,
  tagsOf,
  type MatchResult,
} from './match.repository';
import { findCaptured, saveInquiry, type DecidedInquiry } from './save-inquiry.repository';
import { sourceNamed } from './sources';
import { locksOf, type Arrival, type CaptureResult, type Tried } from './arrival';
import type { Door } from './doors.repository';

/** Thrown to take back what was only tried out. */
class OnlyTried extends Error {
  constructor(readonly captured: CaptureResult) {
    super('tried out');
  }
}

/** Tries an inquiry out: matched, routed and answered as in truth, and nothing of it kept, told or sent. */
export async function tryInquiry(arrival: Arrival): Promise<Tried> {
  const { inquiry, door } = arrival;
  try {
    await transact(async (tx) => {
      throw new OnlyTried(await takeIn(tx, { ...arrival, idempotencyKey: null }));
    });
  } catch (error) {
    if (!(error instanceof OnlyTried)) throw error;
    const { contact, routing } = error.captured;
    return {
      sandbox: true,
      contact: { ...contact, id: contact.status === 'matched' ? contact.id : null },
      routing,
      read: snaked(withDefaults(inquiry, door.source, door.defaults)),
    };
  }
  throw new Error('what is tried out is taken back');
}

/**
 * Takes in an inquiry. The same idempotency key by the same door answers as the first time.
 * @throws AppError idempotency_mismatch when it comes with another body
 */
export const captureInquiry = (arrival: Arrival): Promise<CaptureResult> => transact((tx) => takeIn(tx, arrival));

async function takeIn(tx: Tx, arrival: Arrival): Promise<CaptureResult> {
  const { accountId } = arrival.door;
  const begun = await beginArrival(tx, accountId, locksOf(arrival));
  const before = await findCaptured(tx, arrival);
  if (before) return before;
  const lead = await match(tx, await understand(tx, arrival, begun.at), begun);
  const plan = await route(tx, lead, begun.at);
  const lines = await follow(tx, lead, plan, begun.at);
  const handing = await handOver(tx, accountId, plan, begun.at);
  return conclude(tx, { ...lead, plan, handing }, lines, begun.at);
}

interface Understood {
  arrival: Arrival;
  inquiry: CleanInquiry;
  listed: ListingView | null;
}

/** Read: the inquiry with what its door gives, its source as it is called here, and what is known of the listing it asks about. */
async function understand(tx: Tx, arrival: Arrival, at: Date): Promise<Understood> {
  const { door } = arrival;
  const given = withDefaults(arrival.inquiry, door.source, door.defaults);
  const named = given.source ? { ...given, source: await sourceNamed(tx, door.accountId, given.source, at) } : given;
  const { id, address } = named.listing;
  const listed = id || address ? await listingAskedAbout(tx, door.accountId, { id, address }) : null;
  return { arrival, listed, inquiry: listed ? withListing(named, listed) : named };
}

/** An inquiry whose person is known or was made. */
interface Lead extends Understood {
  contact: MatchResult;
  /** Why the person is that one; null where nobody else has one of their addresses. */
  matched: Matched | null;
  /** The agent of whoever a new person shares an address with. */
  near: { id: string; name: string; of: string } | null;
  /** False where somebody typed it in and the person is another agent’s: what they say is kept with the inquiry and changes nothing. */
  seen: boolean;
  /** False where somebody typed it in and an address is also that of another agent’s contact: a yes for it is not theirs to give. */
  seesSharers: boolean;
}

/** Match: whoever of those who have an address it is, completed by what is told; otherwise a new person, who may share the address. */
async function match(tx: Tx, understood: Understood, { at, tagPlaces, tagBarred }: Begun): Promise<Lead> {
  const { arrival } = understood;
  const { door, byPerson } = arrival;
  const { accountId } = door;
  const inquiry = await withoutOwn(tx, accountId, understood.inquiry);
  const { choice, matched } = await findHolders(tx, accountId, inquiry);
  const sees = (ids: string[]): Promise<boolean> => seesAll(tx, byPerson, ids);
  const known = choice.same && (await lockMatched(tx, choice.same.id));
  const seen = !known || (await sees([known.contactId]));
  if (known && seen) await completeContact(tx, accountId, known.contactId, inquiry, at);
  const contact = known ?? (await createContact(tx, accountId, inquiry, door.defaults.horizon ?? null, at));
  if (!known && choice.ask.length) await proposeDuplicates(tx, accountId, contact.contactId, choice);
  if (seen) {
    const makes = !byPerson || mayMakeTags(byPerson.role, tagBarred);
    await addTags(tx, accountId, contact.contactId, tagsOf(inquiry, { tagPlaces, makes }));
  }
  const seesSharers = await sees(othersOf(choice));
  const near = known ? null : await agentOfSharers(tx, choice);
  return { ...understood, inquiry, contact, matched, near, seen, seesSharers };
}

const MOST_ASKED_ABOUT = 20;
const othersOf = ({ ask, sharing }: Choice): string[] => [...ask, ...sharing].slice(0, MOST_ASKED_ABOUT).map(({ id }) => id);

/** Whether whoever typed something in may see some contacts; what came by a door is not asked. */
async function seesAll(tx: Tx, byPerson: Arrival['byPerson'], ids: string[]): Promise<boolean> {
  if (!byPerson) return true;
  const scope = scopeFor({ kind: 'user', user: byPerson });
  for (const id of new Set(ids)) if (!(await isVisible(scope, id, tx))) return false;
  return true;
}

/** An inquiry without addresses that are our own: a desk that stands in every mail of a portal is nobody's who asks. @throws AppError input_invalid when nothing is left */
async function withoutOwn(tx: Tx, accountId: string, inquiry: CleanInquiry): Promise<CleanInquiry> {
  const own = await ownAddresses(tx, accountId, [...inquiry.phones, ...inquiry.emails]);
  if (!own.size) return inquiry;
  const [phones, emails] = [inquiry.phones, inquiry.emails].map((all) => all.filter((address) => !own.has(address)));
  if (!phones!.length && !emails!.length)
    throw new AppError('input_invalid', 'The only email or phone here is your brokerage’s own, so nothing was saved.', {
      fields: [{ field: 'person', message: 'needs an email address or a phone number of their own' }],
    });
  return { ...inquiry, phones: phones!, emails: emails! };
}

/** Route: which way the ladder sends them, and what its rung adds to them. */
async function route(tx: Tx, lead: Lead, at: Date): Promise<Planned> {
  const { arrival, inquiry, contact } = lead;
  const { accountId } = arrival.door;
  const plan = await planRoute(
    tx,
    accountId,
    {
      contactId: contact.contactId,
      lead: leadOf(arrival.door.id, inquiry, inquiry.source ?? arrival.door.name, contact.matched),
      fixed: await keptBy(tx, lead),
    },
    at,
  );
  if (plan.rung) await attachByRung(tx, accountId, plan.rung, contact.contactId, at);
  return plan;
}

/** Follow up: what they allow is written down, and what begins for them begins. @returns what the timeline says of it */
async function follow(tx: Tx, lead: Lead, plan: Planned, at: Date): Promise<Activity[]> {
  const { arrival, inquiry, contact } = lead;
  const { door } = arrival;
  const { contactId } = contact;
  const allowed = await changePermissions(tx, door.accountId, permissionChanges(lead, at));
  const begins = inquiry.onThePhone ? [] : await begunByInquiry(tx, door.accountId, { doorId: door.id, source: inquiry.source });
  const lines = [
    arrivalLine(lead, at),
    ...allowed.map((change) => permissionActivity(contactId, change)),
    ...(await beginInquiry(tx, door.accountId, begins, contactId, at)),
  ];
  const campaignId = plan.joined ? null : (plan.rung?.campaignId ?? door.defaults.campaign_id ?? null);
  if (!campaignId || !plan.atOnce) return lines;
  const enrollee = { contactId, stage: contact.stage as Stage, timeZone: contact.timeZone, onThePhone: inquiry.onThePhone };
  return [...lines, ...(await enrollArrived(tx, door.accountId, campaignId, enrollee, at))];
}

/** Tell: who has them now, in the tables, on the timeline, to the agents and to the pages that are open. */
async function conclude(tx: Tx, lead: Lead & DecidedInquiry, lines: Activity[], at: Date): Promise<CaptureResult> {
  const { accountId } = lead.arrival.door;
  const { contactId, matched } = lead.contact;
  const { owner, because, to } = lead.handing;
  const inquiryId = await saveInquiry(tx, lead, at);
  await recordActivities(tx, accountId, [...lines, handedLine(contactId, because, at)], { quietly: true });
  const channels = lead.plan.rung?.notify ?? [];
  if (channels.length) await noticeAgents(tx, { accountId, inquiryId, contactId, channels, at });
  await publishAndWake(tx, {
    accountId,
    topic: owner ? 'lead' : 'offer',
    contactId,
    ownerId: owner?.userId ?? '0',
    ...(to.length ? { userIds: to.map(({ userId }) => userId) } : {}),
  });
  return {
    inquiry: { id: inquiryId },
    contact: {
      id: contactId,
      status: matched ? 'matched' : 'created',
      because: lead.matched && lead.seesSharers && lead.seen ? matchSentence(lead.matched) : null,
    },
    routing: { agent: owner && { id: owner.userId, name: owner.name }, because: sentenceOf(because) },
  };
}

/** Who has the lead before any rung is asked: the agent of a returning person or of somebody they share an address with, whoever adds it by hand (but for those who run the office), the agent whom the source names, the agent of our own listing when the ladder says so. */
async function keptBy(tx: Tx, { arrival, inquiry, listed, contact, near, seen }: Lead): Promise<Fixed | null> {
  const { door, byPerson } = arrival;
  if (contact.owner) return { why: 'returning', userId: contact.owner.id, agent: contact.owner.name };
  if (byPerson && seen && !runsTheOffice(byPerson.role) && byPerson.role !== 'lender')
    return { why: 'kept_by_hand', userId: byPerson.id, agent: fullName(byPerson) };
  if (near) return { why: 'shares_address', userId: near.id, agent: near.name, of: near.of };
  const named = inquiry.assignedTo ? await agentNamed(tx, door.accountId, inquiry.assignedTo) : null;
  if (named) return { why: 'source_assigned', userId: named.id, agent: named.name };
  if (!listed?.agent || !(await ladderNow(tx, door.accountId)).ladder.ownListing) return null;
  return { why: 'own_listing', userId: listed.agent.id, agent: listed.agent.name, listing: listed.address };
}

const agentNamed = (tx: Tx, accountId: string, email: string): Promise<{ id: string; name: string } | null> =>
  tx.first<{ id: string; name: string }>(
    `select id, ${nameSql()} as name from users where account_id = $1 and email = $2 and active and role <> 'lender'`,
    [accountId, email],
  );

const HOW: Record<Door['kind'], string> = {
  api: 'opted in with the lead source',
  page: 'opted in on the web form',
  hand: 'told the agent',
  mail: 'wrote to us',
  file: 'on record in the file',
};

/** A no is taken from everybody; a yes from whoever may see the person. */
function permissionChanges({ arrival: { door, raw }, inquiry, contact, seen, seesSharers }: Lead, at: Date): PermissionChange[] {
  const evidence = JSON.stringify((raw as { permissions?: unknown } | null)?.permissions ?? {}).slice(0, 2_000);
  const { phones, emails } = inquiry;
  return CHANNEL_KEYS.flatMap((channel) => {
    const permission = inquiry.permissions[channel];
    if (permission === undefined || (permission && !(seen && seesSharers))) return [];
    return addressesOf(channel, { id: contact.contactId, phones, emails }).map((address) => ({
      channel,
      address,
      state: permission ? ('granted' as const) : ('withdrawn' as const),
      how: `${HOW[door.kind]}, “${door.name}”`,
      evidence,
      at,
    }));
  });
}

const arrivalLine = ({ arrival: { door, byPerson }, inquiry, contact }: Lead, at: Date): Activity => ({
  contactId: contact.contactId,
  userId: byPerson?.id ?? null,
  at,
  kind: 'inquiry',
  channel: null,
  direction: 'in',
  data: { text: askOf(inquiry), door: door.name, from: inquiry.source ?? undefined, partner: inquiry.partner ?? undefined },
  because: null,
});
