/** The whole demo world in memory: about 4,000 contacts in the order of their arrival, leads handed out by the ladder's own choice. */
import { DAY, HOUR, localInstant, MINUTE, seeded } from '@/core/shared';
import {
  decide,
  knownOfLead,
  leadOf,
  readyLadder,
  skippedWords,
  startIn,
  nextRoutingStep,
  type Roster,
  type Rung,
} from '@/core/routing';
import { readTowns } from './county';
import { drawContact, type WorldContact } from './contact';
import { browse } from './browse';
import { liveLead, liveSphere } from './history';
import { AGENT_IDS, AWAY, LISTING_DESK, nameOf, START, ZONE } from './settings';

const SPHERE = 1_650;
const LEADS = 2_350;
/** The last arrivals, in minutes before the start: what somebody finds who opens the demo. */
const JUST_NOW = [1, 4, 9, 17, 26, 41, 58, 75, 96, 118, 150, 185, 230, 300, 360, 420];

const rung = (id: string, roles: string[], rosterId: string, campaignId: string | null): Rung => ({
  id,
  position: Number(id),
  tree: { all: [{ on: 'lead_role', how: 'any', of: roles }] },
  rosterId,
  campaignId,
  tags: [],
  lender: null,
  notify: [],
});
export const RUNGS: Rung[] = [rung('1', ['buyer'], '1', '1'), rung('2', ['seller', 'landlord'], '2', null)];
/** How the sentence names whom a rung is for. */
export const WHO: Record<string, string> = { '1': 'Buyers', '2': 'Sellers and landlords' };
const LADDER = readyLadder({ rungs: RUNGS, ownListing: false }, ZONE);

export interface DemoWorld {
  contacts: WorldContact[];
  rosters: { id: string; name: string; lastUserId: string | null; members: { userId: string; handed: number }[] }[];
}

function arrivals(): Date[] {
  const random = seeded('arrivals of lantern county');
  const times = Array.from({ length: LEADS - JUST_NOW.length }, () => {
    const days = 1 + Math.floor(180 * random.next());
    const hour = random.chance(0.82) ? random.int(8, 20) : random.int(0, 23);
    return new Date(
      localInstant(START, ZONE, -days, `${String(hour).padStart(2, '0')}:00`).getTime() + random.int(0, 59 * 60) * 1000,
    );
  });
  return [
    ...times,
    ...JUST_NOW.map((minutes) => new Date(START.getTime() - minutes * MINUTE + random.int(0, 40) * 1000 - 40_000)),
  ].sort((a, b) => a.getTime() - b.getTime());
}

/** Draws everything. Pure but for the map it reads: the same seed, the same world. */
export function drawWorld(): DemoWorld {
  const towns = readTowns();
  const contacts: WorldContact[] = [];
  const random = seeded('the sphere of lantern county');
  for (let n = 0; n < SPHERE; n += 1) {
    const own = seeded(`sphere ${n}`);
    const contact = drawContact(
      n,
      own,
      towns,
      'sphere',
      new Date(START.getTime() - random.int(200, 900) * DAY - random.int(0, 23) * HOUR),
    );
    contact.ownerId = own.pick(AGENT_IDS);
    liveSphere(contact, own);
    browse(contact, seeded(`sphere ${n} browsing`));
    contacts.push(contact);
  }
  const rosters = [roster('1', 'Coast agents', AGENT_IDS), roster('2', 'Listing desk', LISTING_DESK)];
  const handed = new Map<string, number>();
  for (const [n, at] of arrivals().entries()) {
    const own = seeded(`lead ${n}`);
    const contact = drawContact(SPHERE + n, own, towns, 'lead', at);
    handOut(contact, rosters, handed, at);
    liveLead(contact, own);
    browse(contact, seeded(`lead ${n} browsing`));
    contacts.push(contact);
  }
  return {
    contacts,
    rosters: rosters.map(({ id, name, turn, members }) => ({
      id,
      name,
      lastUserId: turn.lastUserId,
      members: members.map(({ userId }) => ({ userId, handed: handed.get(`${id}:${userId}`) ?? 0 })),
    })),
  };
}

const roster = (id: string, name: string, userIds: string[]): Roster => ({
  id,
  name,
  handOut: 'round_robin',
  windowSeconds: 600,
  trySeconds: null,
  mostTurns: null,
  then: { to: 'safety_net' },
  turn: { lastUserId: null, credit: {} },
  safetyNet: { userId: '1', name: nameOf('1') },
  members: userIds.map((userId, at) => ({
    userId,
    name: nameOf(userId),
    position: at + 1,
    weight: 1,
    dailyCap: null,
    openCap: null,
    hours: [],
    timeZone: ZONE,
    paused: false,
    awayUntil: null,
    active: true,
    today: 0,
    open: 0,
  })),
});

function handOut(contact: WorldContact, rosters: Roster[], handed: Map<string, number>, at: Date): void {
  const lead = leadOf('1', { roles: contact.roles }, null, false);
  const { rung } = decide(LADDER, knownOfLead(lead), at);
  const found = rung && rosters.find(({ id }) => id === rung.rosterId);
  if (!rung || !found) {
    contact.ownerId = '1';
    contact.routed = { rungId: null, because: { why: 'safety_net', roster: null, agent: nameOf('1'), cause: 'no_rung' } };
    return;
  }
  for (const member of found.members) member.awayUntil = member.userId === AWAY.userId && at >= AWAY.since ? AWAY.until : null;
  const { step, turn } = nextRoutingStep(found, startIn(found.id), at);
  if (step.do !== 'give') throw new Error('a roster of the demo world gives its leads at once');
  found.turn = turn ?? found.turn;
  handed.set(`${found.id}:${step.userId}`, (handed.get(`${found.id}:${step.userId}`) ?? 0) + 1);
  contact.ownerId = step.userId;
  contact.routed = {
    rungId: rung.id,
    because: {
      why: 'round_robin',
      rung: rung.position,
      who: WHO[rung.id]!,
      roster: found.name,
      agent: step.name,
      skipped: step.skipped.map(({ name }) => name),
      ...(step.skipped.length ? { passed: skippedWords(step.skipped) } : {}),
    },
  };
}
