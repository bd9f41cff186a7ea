/**
 * Taking in inquiries, whichever door they came by: kept raw, each matched to a contact or made a new one, handed to an agent,
 * enrolled, told. One transaction for those that come at the same time; two equal leads meet at a lock on their addresses.
 */
import { snaked } from '@/core/shared';
import { leadOf, type Fixed } from '@/core/routing';
import { fullName, runsTheOffice } from '@/core/accounts';
import { withDefaults } from '@/core/capture';
import { askOf, withListing, type CleanInquiry } from '@/core/capture/schemas';
import type { ListingView } from '@/core/market';
import { sentenceOf, type Activity, type Stage } from '@/core/contacts';
import { beginInquiry, chooseArrivals, putEnrolments, type Arrived } from '../campaigns';
import { changePermissions, foldActivities, lettersTo, permissionActivity, putFolded, type PermissionChange } from '../contacts';
import { listingAskedAbout } from '../market';
import { attachByRung, handedLine, handPlanned, ladderNow, noticeAgents, planRoute, type Planned } from '../routing';
import { Statement, transact, type Tx } from '../shared';
import { beginArrival } from './begin';
import { gathered } from './gather';
import { capturedBefore, putInquiries, type Settled } from './keep.repository';
import { admit, matchContacts, type Admitted } from './match.repository';
import { sourceNamed } from './sources';
import { locksOf, type Arrival, type Captured, type Tried } from './arrival';
import type { Door } from './doors.repository';

/** Thrown to take back what was only tried out. */
class OnlyTried extends Error {
  constructor(readonly captured: Captured) {
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
export const captureInquiry = (arrival: Arrival): Promise<Captured> =>
  gathered(arrival, (arrivals) => transact((tx) => takeIn(tx, arrivals)));

/** One arrival on its way, and what is known of it so far. */
interface Taking {
  /** Its place among those that came together. */
  n: number;
  arrival: Arrival;
  inquiry: CleanInquiry;
  listed: ListingView | null;
  known: Admitted | null;
}

/**
 * Takes in inquiries of one account that share no address and no key.
 * @returns what each is answered; null for one whose person is the person of another among them: it comes again afterwards
 */
async function takeIn(tx: Tx, arrivals: readonly Arrival[]): Promise<(Captured | null)[]> {
  const { accountId } = arrivals[0]!.door;
  const answers: (Captured | null)[] = arrivals.map(() => null);
  const { at, tagPlaces } = await beginArrival(tx, accountId, arrivals.flatMap(locksOf));
  const coming: Taking[] = [];
  for (const [n, arrival] of arrivals.entries()) {
    answers[n] = await capturedBefore(tx, arrival);
    if (!answers[n]) coming.push({ n, ...(await understood(tx, arrival, at)), known: null });
  }
  const matched = await matchContacts(
    tx,
    accountId,
    coming.map(({ inquiry }) => inquiry),
  );
  coming.forEach((one, place) => (one.known = matched[place]!));
  const taking = coming.filter(
    ({ known }, place) => !known || !matched.slice(0, place).some((before) => before?.contactId === known.contactId),
  );
  if (!taking.length) return answers;
  const captured = await settle(tx, accountId, taking, tagPlaces, at);
  taking.forEach(({ n }, place) => (answers[n] = captured[place]!));
  return answers;
}

/** The inquiry with what its door gives, its source as it is called here, and what is known of the listing it asks about. */
async function understood(tx: Tx, arrival: Arrival, at: Date): Promise<Pick<Taking, 'arrival' | 'inquiry' | 'listed'>> {
  const { door } = arrival;
  const given = withDefaults(arrival.inquiry, door.source, door.defaults);
  const named = given.source ? { ...given, source: await sourceNamed(tx, door.accountId, given.source, at) } : given;
  const { id, address } = named.listing;
  const listed = id || address ? await listingAskedAbout(tx, door.accountId, { id, address }) : null;
  return { arrival, listed, inquiry: listed ? withListing(named, listed) : named };
}

/** Who each is, what they may be sent, which way their lead takes, what begins for them; and at last, under the locks of the rosters, who has it. */
async function settle(tx: Tx, accountId: string, taking: readonly Taking[], tagPlaces: boolean, at: Date): Promise<Captured[]> {
  const asking = taking.map(({ known, inquiry, arrival }) => ({
    known,
    inquiry,
    horizon: arrival.door.defaults.horizon ?? null,
  }));
  const people = await admit(tx, accountId, asking, tagPlaces, at);
  const changes = taking.map((one, n) => permissionChanges(one, people[n]!.contactId, at));
  const said = new Set(await changePermissions(tx, accountId, changes.flat()));
  const plans: Planned[] = [];
  const lines: Activity[] = [];
  const arrived: Arrived[] = [];
  for (const [n, one] of taking.entries()) {
    const { door } = one.arrival;
    const admitted = people[n]!;
    const { contactId } = admitted;
    const fixed = await keptBy(tx, one, admitted);
    const lead = leadOf(door.id, one.inquiry, one.inquiry.source ?? door.name, admitted.matched);
    const plan = await planRoute(tx, accountId, contactId, lead, fixed, at);
    plans.push(plan);
    if (plan.rung) await attachByRung(tx, accountId, plan.rung, contactId, at);
    const asked = { contactId, doorId: door.id, source: one.inquiry.source };
    lines.push(
      arrivalLine(one, contactId, at),
      ...changes[n]!.filter((change) => said.has(change)).map((change) => permissionActivity(contactId, change)),
      ...(one.inquiry.onThePhone ? [] : await beginInquiry(tx, accountId, asked, at)),
    );
    const campaignId = plan.joined ? null : (plan.rung?.campaignId ?? door.defaults.campaign_id ?? null);
    if (campaignId && plan.atOnce)
      arrived.push({
        campaignId,
        contact: {
          contactId,
          stage: admitted.stage as Stage,
          timeZone: admitted.timeZone,
          onThePhone: one.inquiry.onThePhone,
        },
      });
  }
  const enrolling = await chooseArrivals(tx, arrived, at);
  lines.push(...enrolling.lines);
  const folded = await foldActivities(
    tx,
    lines,
    people.flatMap(({ fresh }) => (fresh ? [fresh] : [])),
  );
  const handings = await handPlanned(tx, accountId, plans, at);
  for (const [n, { owner, because }] of handings.entries()) {
    const { contactId } = people[n]!;
    folded.activities.push(handedLine(contactId, because, at));
    folded.changed.find(({ row }) => row.id === contactId)!.ownerId = owner?.userId ?? null;
  }
  const settled = taking.map(({ arrival, inquiry }, n): Settled => ({
    arrival,
    inquiry,
    admitted: people[n]!,
    plan: plans[n]!,
    handing: handings[n]!,
  }));
  const statement = new Statement();
  if (enrolling.entries.length) putEnrolments(statement, accountId, enrolling.entries, at);
  putFolded(statement, accountId, folded);
  const ids = (await statement.rows<{ id: string }>(tx, putInquiries(statement, accountId, settled, at))).map(({ id }) => id);
  const captured: Captured[] = [];
  for (const [n, { contactId, matched }] of people.entries()) {
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

/** Who has the lead before any rung is asked: the agent of a returning person, whoever adds it by hand (but for those who run the office), the agent whom the source names, the agent of our own listing when the ladder says so. */
async function keptBy(tx: Tx, { arrival, inquiry, listed }: Taking, admitted: Admitted): Promise<Fixed | null> {
  const { door, byPerson } = arrival;
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

function permissionChanges({ arrival: { door, raw }, inquiry }: Taking, contactId: string, at: Date): PermissionChange[] {
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

const arrivalLine = ({ arrival: { door, byPerson }, inquiry }: Taking, contactId: string, at: Date): Activity => ({
  contactId,
  userId: byPerson?.id ?? null,
  at,
  kind: 'inquiry',
  channel: null,
  direction: 'in',
  data: { text: askOf(inquiry), door: door.name, from: inquiry.source ?? undefined, partner: inquiry.partner ?? undefined },
  because: null,
});
