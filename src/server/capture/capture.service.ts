/**
 * Taking in inquiries, whichever door they came by: kept raw, each matched to a contact or made a new one, handed to an agent,
 * enrolled, told. One transaction for those that come at the same time; two equal leads meet at a lock on their addresses.
 */
import { snaked } from '@/core/shared';
import { leadOf, type Fixed } from '@/core/routing';
import { fullName, runsTheOffice, scopeFor, seesContactOf } from '@/core/accounts';
import { mayMakeTags } from '@/core/tags';
import { withDefaults } from '@/core/capture';
import { askOf, withListing, type CleanInquiry } from '@/core/capture/schemas';
import type { ListingView } from '@/core/market';
import { sentenceOf, type Activity, type Stage } from '@/core/contacts';
import { beginInquiry, begunByInquiry, chooseArrivals, putEnrollments, type Arrived, type BegunByInquiry } from '../campaigns';
import {
  foldActivities,
  lettersTo,
  permissionActivity,
  putFolded,
  putPermissions,
  readClosed,
  type PermissionChange,
} from '../contacts';
import { listingAskedAbout } from '../market';
import { attachByRungs, attaches, handedLine, handPlanned, ladderNow, noticeAgents, planRoutes, type Routed } from '../routing';
import { Statement, transact, type Tx } from '../shared';
import { beginArrival, type Begun } from './begin';
import { batchArrivals } from './arrival-batches';
import { capturedBefore, putInquiries, type SavedInquiry } from './save-inquiries.repository';
import { complete, matchContacts, tagsOf, type MatchResult } from './match.repository';
import { NewContacts } from './new-contacts';
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
      const [captured] = await takeIn(tx, [{ ...arrival, idempotencyKey: null }]);
      throw new OnlyTried(captured!);
    });
  } catch (error) {
    if (!(error instanceof OnlyTried)) throw error;
    const { contact, routing } = error.captured;
    return {
      sandbox: true,
      contact: { id: contact.status === 'matched' ? contact.id : null, status: contact.status },
      routing,
      read: snaked(withDefaults(inquiry, door.source, door.defaults)),
    };
  }
  throw new Error('what is tried out is taken back');
}

/**
 * Takes in an inquiry, together with others that came while those before it were taken in. The same idempotency key by the same door
 * answers as the first time.
 * @throws AppError idempotency_mismatch when it comes with another body
 */
export const captureInquiry = (arrival: Arrival): Promise<CaptureResult> =>
  batchArrivals(arrival, (arrivals) => transact((tx) => takeIn(tx, arrivals)));

/** One arrival on its way: who it is, and what is known of it so far. */
interface Taking extends Understood {
  /** Its place among those that came together. */
  n: number;
  person: MatchResult;
  /** False where somebody typed it in and the person is another agent’s: what they say is kept with the inquiry and changes nothing. */
  seen: boolean;
  makesTags: boolean;
}

/**
 * Takes in inquiries of one account that share no address and no key.
 * @returns what each is answered; null for one whose person is the person of another among them: it comes again afterwards
 */
async function takeIn(tx: Tx, arrivals: readonly Arrival[]): Promise<(CaptureResult | null)[]> {
  const { accountId } = arrivals[0]!.door;
  const { ladder } = await ladderNow(tx, accountId);
  const campaigns = [
    ...ladder.rungs.map(({ rung }) => rung.campaignId),
    ...arrivals.map(({ door }) => door.defaults.campaign_id),
  ].filter((id) => id !== undefined && id !== null);
  const begun = await beginArrival(tx, accountId, arrivals.flatMap(locksOf), [...new Set(campaigns)]);
  const answers = await capturedBefore(tx, arrivals);
  const coming: (Understood & { n: number })[] = [];
  for (const [n, arrival] of arrivals.entries())
    if (!answers[n]) coming.push({ n, ...(await understood(tx, arrival, begun.at)) });
  const matches = await matchContacts(
    tx,
    accountId,
    coming.map(({ inquiry, arrival }) => ({ inquiry, horizon: arrival.door.defaults.horizon ?? null })),
    begun.at,
  );
  const taking = coming
    .map((one, place): Taking => ({ ...one, person: matches[place]!, ...rightsOf(one.arrival, matches[place]!, begun) }))
    .filter(({ person }, place) => !matches.slice(0, place).some(({ contactId }) => contactId === person.contactId));
  if (!taking.length) return answers;
  const captured = await settle(tx, accountId, taking, begun);
  taking.forEach(({ n }, place) => (answers[n] = captured[place]!));
  return answers;
}

/** What whoever typed an inquiry in may do to the person it is about; doors may do all. */
function rightsOf({ byPerson }: Arrival, person: MatchResult, { tagBarred }: Begun): Pick<Taking, 'seen' | 'makesTags'> {
  if (!byPerson) return { seen: true, makesTags: true };
  const seen = !person.matched || seesContactOf(scopeFor({ kind: 'user', user: byPerson }), person.holder);
  return { seen, makesTags: mayMakeTags(byPerson.role, tagBarred) };
}

interface Understood {
  arrival: Arrival;
  inquiry: CleanInquiry;
  listed: ListingView | null;
}

/** The inquiry with what its door gives, its source as it is called here, and what is known of the listing it asks about. */
async function understood(tx: Tx, arrival: Arrival, at: Date): Promise<Understood> {
  const { door } = arrival;
  const given = withDefaults(arrival.inquiry, door.source, door.defaults);
  const named = given.source ? { ...given, source: await sourceNamed(tx, door.accountId, given.source, at) } : given;
  const { id, address } = named.listing;
  const listed = id || address ? await listingAskedAbout(tx, door.accountId, { id, address }) : null;
  return { arrival, listed, inquiry: listed ? withListing(named, listed) : named };
}

/** What is told of each and what they may be sent, which way their lead takes, what begins for them; and at last, under the locks of the rosters, who has it. */
async function settle(tx: Tx, accountId: string, taking: readonly Taking[], begun: Begun): Promise<CaptureResult[]> {
  const { at } = begun;
  const newcomers = new NewContacts(
    tx,
    accountId,
    taking.flatMap(({ person }) => person.newcomer ?? []),
  );
  const theirs = taking.filter(({ seen }) => seen);
  const tags = tagsOf(theirs, begun.tagPlaces);
  const { asksPerson } = (await ladderNow(tx, accountId)).ladder;
  await newcomers.make(asksPerson ? taking.map(({ person }) => person.contactId) : tags.map(({ contact_id }) => contact_id));
  await complete(tx, accountId, theirs, tags, at);
  const plans = await planRoutes(tx, accountId, await routedOf(tx, taking), at);
  const begins: BegunByInquiry[][] = [];
  for (const one of taking) begins.push(await campaignsOf(tx, one));
  const touched = taking.filter((_, n) => begins[n]!.length > 0 || (plans[n]!.rung && attaches(plans[n]!.rung)));
  await newcomers.make(touched.map(({ person }) => person.contactId));
  const came = plans.flatMap(({ rung }, n) => (rung ? [{ rung, contactId: taking[n]!.person.contactId }] : []));
  await attachByRungs(tx, accountId, came, at);

  const changes = taking.map((one) => permissionChanges(one, at));
  const closed = taking.some(({ person }) => person.matched) ? await readClosed(tx, accountId, changes.flat()) : begun.closed;
  const lines: Activity[] = [];
  const arrived: Arrived[] = [];
  for (const [n, one] of taking.entries()) {
    const { person, inquiry } = one;
    const { contactId } = person;
    const plan = plans[n]!;
    lines.push(
      arrivalLine(one, at),
      ...changes[n]!.filter(closed.takes).map((change) => permissionActivity(contactId, change)),
      ...(await beginInquiry(tx, accountId, begins[n]!, contactId, at)),
    );
    const campaignId = plan.joined ? null : (plan.rung?.campaignId ?? one.arrival.door.defaults.campaign_id ?? null);
    if (campaignId && plan.atOnce)
      arrived.push({
        campaignId,
        contact: { contactId, stage: person.stage as Stage, timeZone: person.timeZone, onThePhone: inquiry.onThePhone },
        fresh: person.newcomer !== null && !begins[n]!.length,
      });
  }
  const enrolling = await chooseArrivals(tx, arrived, at, begun.campaigns);
  lines.push(...enrolling.lines);
  const folded = await foldActivities(
    tx,
    lines,
    taking.flatMap(({ person: { newcomer } }) => newcomer?.fresh ?? []),
  );
  const handings = await handPlanned(tx, accountId, plans, at);
  for (const [n, { owner, because }] of handings.entries()) {
    const { contactId } = taking[n]!.person;
    folded.activities.push(handedLine(contactId, because, at));
    folded.changed.find(({ row }) => row.id === contactId)!.ownerId = owner?.userId ?? null;
  }
  const settled = taking.map(({ arrival, inquiry, person }, n): SavedInquiry => ({
    arrival,
    inquiry,
    person,
    plan: plans[n]!,
    handing: handings[n]!,
  }));
  const statement = new Statement();
  if (changes.flat().length) putPermissions(statement, accountId, changes.flat());
  if (enrolling.entries.length) putEnrollments(statement, accountId, enrolling.entries, at);
  putFolded(statement, accountId, folded);
  newcomers.put(statement);
  const ids = (await statement.rows<{ id: string }>(tx, putInquiries(statement, accountId, settled, at))).map(({ id }) => id);
  const captured: CaptureResult[] = [];
  for (const [n, { person }] of taking.entries()) {
    const { contactId, matched } = person;
    const { owner, because } = handings[n]!;
    const channels = plans[n]!.rung?.notify ?? [];
    if (channels.length) await noticeAgents(tx, { accountId, inquiryId: ids[n]!, contactId, channels, at });
    captured.push({
      inquiry: { id: ids[n]! },
      contact: { id: contactId, status: matched ? 'matched' : 'created' },
      routing: { agent: owner && { id: owner.userId, name: owner.name }, because: sentenceOf(because) },
    });
  }
  return captured;
}

/** What the ladder is asked about each. */
async function routedOf(tx: Tx, taking: readonly Taking[]): Promise<Routed[]> {
  const routed: Routed[] = [];
  for (const one of taking) {
    const { person, inquiry, arrival } = one;
    const lead = leadOf(arrival.door.id, inquiry, inquiry.source ?? arrival.door.name, person.matched);
    routed.push({ contactId: person.contactId, lead, fixed: await keptBy(tx, one) });
  }
  return routed;
}

/** The campaigns that begin with this inquiry; none while they are on the phone with us. */
const campaignsOf = async (tx: Tx, { arrival: { door }, inquiry }: Taking): Promise<BegunByInquiry[]> =>
  inquiry.onThePhone ? [] : begunByInquiry(tx, door.accountId, { doorId: door.id, source: inquiry.source });

/** Who has the lead before any rung is asked: the agent of a returning person, whoever adds it by hand (but for those who run the office), the agent whom the source names, the agent of our own listing when the ladder says so. */
async function keptBy(tx: Tx, { arrival, inquiry, listed, person, seen }: Taking): Promise<Fixed | null> {
  const { door, byPerson } = arrival;
  if (person.owner) return { why: 'returning', userId: person.owner.id, agent: person.owner.name };
  if (byPerson && seen && !runsTheOffice(byPerson.role) && byPerson.role !== 'lender')
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

/** A no is taken from everybody; a yes from whoever may see the person. */
function permissionChanges({ arrival: { door, raw }, inquiry, person, seen }: Taking, at: Date): PermissionChange[] {
  const evidence = JSON.stringify((raw as { permissions?: unknown } | null)?.permissions ?? {}).slice(0, 2_000);
  const addresses = { call: inquiry.phones, text: inquiry.phones, email: inquiry.emails, letter: [lettersTo(person.contactId)] };
  return (['call', 'text', 'email', 'letter'] as const).flatMap((channel) => {
    const permission = inquiry.permissions[channel];
    if (permission === undefined || (permission && !seen)) return [];
    return addresses[channel].map((address) => ({
      channel,
      address,
      state: permission ? ('granted' as const) : ('withdrawn' as const),
      how: `${HOW[door.kind]}, “${door.name}”`,
      evidence,
      at,
    }));
  });
}

const arrivalLine = ({ arrival: { door, byPerson }, inquiry, person }: Taking, at: Date): Activity => ({
  contactId: person.contactId,
  userId: byPerson?.id ?? null,
  at,
  kind: 'inquiry',
  channel: null,
  direction: 'in',
  data: { text: askOf(inquiry), door: door.name, from: inquiry.source ?? undefined, partner: inquiry.partner ?? undefined },
  because: null,
});
