/** A roster: the people a rung hands leads to, who of them may have one now, and who is next by its way of handing out. */
import { inHours, type Hours } from '../shared';

export const HAND_OUTS = ['round_robin', 'weighted', 'open', 'turns'] as const;
/**
 * `round_robin`: one after the other has the lead at once. `weighted`: the same, by shares. `open`: offered to all at once, the first who
 * accepts has it. `turns`: offered to one after the other, each with a window.
 */
export type HandOut = (typeof HAND_OUTS)[number];
export const isOffered = (handOut: HandOut): boolean => handOut === 'open' || handOut === 'turns';
export const HAND_OUT_NAMES: Record<HandOut, string> = {
  round_robin: 'round robin',
  weighted: 'weighted',
  open: 'open claim',
  turns: 'timed turns',
};

/** An agent of a roster. */
export interface Member {
  userId: string;
  name: string;
  position: number;
  /** The share, against the weights of the others; from 1. */
  weight: number;
  /** Most leads on one local day, and most leads at a time that nobody has spoken with yet; null without a limit. */
  dailyCap: number | null;
  openCap: number | null;
  /** When they take leads, in their own zone; any of these. Empty is always. */
  hours: Hours[];
  timeZone: string;
  paused: boolean;
  /** Not before then, when their time off has not begun. */
  awayFrom?: Date | null;
  awayUntil: Date | null;
  /** False for somebody who has left. */
  active: boolean;
  /** Leads handed to them today, and leads of theirs that nobody has spoken with. */
  today: number;
  open: number;
}

/** What happens when everybody's window has ended, or nobody may have the lead now. The safety net stands at the end of each. */
export type Then = { to: 'safety_net' } | { to: 'roster'; rosterId: string } | { to: 'commons'; seconds: number };

/** The agents a rung hands leads to, and how. */
export interface Roster {
  id: string;
  name: string;
  handOut: HandOut;
  /** For offers: how long each stands. */
  windowSeconds: number;
  /** Once somebody has the lead: it goes on when nobody has tried it for so long. Null: it stays. */
  trySeconds: number | null;
  /** To how many people it goes one after the other before `then`; null to everybody once. */
  mostTurns: number | null;
  then: Then;
  members: Member[];
  /** Whom it handed its last lead to, and how far each is ahead of their share. */
  turn: Turn;
  safetyNet: { userId: string; name: string };
}

/** Whose turn it is in a roster. */
export interface Turn {
  lastUserId: string | null;
  /** In hundredths of a lead; positive for whom the next leads are due. */
  credit: Record<string, number>;
}

/** Why somebody is passed over. */
export type Skip = 'left' | 'away' | 'paused' | 'off_hours' | 'daily_cap' | 'open_cap' | 'had_it';
/** Who was passed over, and why. */
export interface Skipped {
  name: string;
  why: Skip;
}

/** Why a member may not have a lead now; null when they may. */
export function skipOf(member: Member, now: Date): Exclude<Skip, 'had_it'> | null {
  if (!member.active) return 'left';
  if (isAway(member, now)) return 'away';
  if (member.paused) return 'paused';
  if (member.hours.length && !member.hours.some((hours) => inHours(hours, now, member.timeZone))) return 'off_hours';
  if (member.dailyCap !== null && member.today >= member.dailyCap) return 'daily_cap';
  if (member.openCap !== null && member.open >= member.openCap) return 'open_cap';
  return null;
}

export const isAway = (member: { awayFrom?: Date | null; awayUntil: Date | null; active: boolean }, now: Date): boolean =>
  !member.active || (member.awayUntil !== null && member.awayUntil > now && (member.awayFrom ?? now) <= now);

/** Members in the order of their turns, beginning with the one after the last. */
export function turnOrder<Some extends { userId: string; position: number }>(
  members: readonly Some[],
  lastUserId: string | null,
): Some[] {
  const ordered = [...members].sort((a, b) => a.position - b.position);
  const last = ordered.findIndex((member) => member.userId === lastUserId);
  return [...ordered.slice(last + 1), ...ordered.slice(0, last + 1)];
}

/**
 * Shares in hundredths that add up to exactly 100, each within one of the true share (largest remainder), so that the order of a
 * weighted roster repeats after 100 leads and any 100 in a row are handed out as the shares say.
 */
export function hundredths(weights: readonly number[]): number[] {
  const sum = weights.reduce((total, weight) => total + weight, 0);
  const exact = weights.map((weight) => (100 * weight) / sum);
  const whole = exact.map(Math.floor);
  const left = 100 - whole.reduce((total, share) => total + share, 0);
  const byRest = exact
    .map((share, at) => ({ at, rest: share - Math.floor(share) }))
    .sort((a, b) => b.rest - a.rest || a.at - b.at);
  for (const { at } of byRest.slice(0, left)) whole[at]! += 1;
  return whole;
}

/** Whose turn it is among those who may, and how the turn stands afterwards. */
export function nextInTurn(roster: Roster, may: readonly Member[]): { member: Member; turn: Turn } {
  if (roster.handOut !== 'weighted') {
    const member = turnOrder(may.length ? roster.members : [], roster.turn.lastUserId).find((one) => may.includes(one))!;
    return { member, turn: { ...roster.turn, lastUserId: member.userId } };
  }
  return nextByShare(roster, may);
}

/**
 * Smooth weighted turns: everybody who may have a lead gains their share, the one with most has it and pays all that was gained.
 * Who is away gains nothing, so nobody comes back to a heap of leads.
 */
function nextByShare(roster: Roster, may: readonly Member[]): { member: Member; turn: Turn } {
  const here = [...roster.members].filter(({ active }) => active).sort((a, b) => a.position - b.position);
  const shares = hundredths(here.map(({ weight }) => weight));
  const credit = Object.fromEntries(here.map(({ userId }) => [userId, roster.turn.credit[userId] ?? 0]));
  let gained = 0;
  here.forEach((member, at) => {
    if (!may.includes(member)) return;
    credit[member.userId]! += shares[at]!;
    gained += shares[at]!;
  });
  const member = here
    .filter((one) => may.includes(one))
    .reduce((best, one) => (credit[one.userId]! > credit[best.userId]! ? one : best));
  credit[member.userId]! -= gained;
  return { member, turn: { lastUserId: member.userId, credit } };
}
