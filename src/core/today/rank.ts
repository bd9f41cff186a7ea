/**
 * Today's order: whom to contact now, and why. Groups stand in the order of what is lost by waiting; inside a group the
 * most pressing first. Each person stands once, under the strongest of their reasons, and carries the others.
 */
import { DATE_NAMES, rhythmSentence, type DateKind } from '../contacts';
import { DAY } from '../shared';
import { outcomeName } from '../calling';

export const TODAY_GROUPS = [
  { key: 'asked', name: 'Waiting for your reply' },
  { key: 'new', name: 'New leads' },
  { key: 'promised', name: 'Promised' },
  { key: 'their_day', name: 'Birthdays and anniversaries' },
  { key: 'call_due', name: 'Campaign calls' },
  { key: 'overdue', name: 'Overdue for a check-in' },
] as const;
/** A group of Today. */
export type TodayGroup = (typeof TODAY_GROUPS)[number]['key'];

/** What the service reads about one person who may belong on the list. */
export interface TodayCandidate {
  contactId: string;
  name: string;
  stage: string;
  horizon: string | null;
  /** Its name, and how many strokes it has: four is nearest. */
  horizonName: string | null;
  horizonStrokes: number;
  ownerName: string | null;
  handRaisedAt: Date | null;
  lastAnswer: string | null;
  lastAnswerChannel: string | null;
  arrivedAt: Date;
  tried: boolean;
  ask: string | null;
  nextTouchAt: Date | null;
  nextTouchKind: 'promise' | 'call' | 'rhythm' | null;
  nextTouchNote: string | null;
  lastOutcome: string | null;
  /** Important dates that fall on today and that nobody has taken as an occasion yet. */
  days?: { kind: DateKind; label: string; year: number | null }[];
}

/** Why somebody stands on Today. */
export interface TodayReason {
  group: TodayGroup;
  text: string;
  /** The instant the reason counts from: an answer, an arrival, a promise. */
  since: Date;
}

/** Somebody on Today, with their reasons. */
export interface TodayEntry {
  contactId: string;
  name: string;
  stage: string;
  horizon: string | null;
  ownerName: string | null;
  reasons: TodayReason[];
}

const shorten = (text: string): string => (text.length > 140 ? `${text.slice(0, 139)}…` : text);

const dayStart = (dayEnd: Date): Date => new Date(dayEnd.getTime() + 1 - DAY);

/** `Birthday today, turning 41`, `Closing anniversary today, 3 years`. */
function dayWords({ kind, label, year }: { kind: DateKind; label: string; year: number | null }, dayEnd: Date): string {
  const name = label || DATE_NAMES[kind];
  const years = year === null ? 0 : dayEnd.getUTCFullYear() - year;
  const age = kind === 'birthday' ? `turning ${years}` : `${years} ${years === 1 ? 'year' : 'years'}`;
  return `${name.charAt(0).toUpperCase()}${name.slice(1)} today${years > 0 ? `, ${age}` : ''}`;
}

/** All the reasons why a person is due at `now`, strongest first. `dayEnd` is the end of the day where the agent is. */
export function reasonsFor(candidate: TodayCandidate, now: Date, dayEnd: Date): TodayReason[] {
  const reasons: TodayReason[] = [];
  const { handRaisedAt, nextTouchAt, nextTouchKind } = candidate;
  if (handRaisedAt) {
    const by = candidate.lastAnswerChannel === 'email' ? 'Answered your email' : 'Answered your text';
    reasons.push({ group: 'asked', text: candidate.lastAnswer ? shorten(candidate.lastAnswer) : by, since: handRaisedAt });
  }
  if (candidate.stage === 'new' && !candidate.tried) {
    reasons.push({ group: 'new', text: shorten(candidate.ask ?? 'Arrived'), since: candidate.arrivedAt });
  }
  for (const day of candidate.days ?? [])
    reasons.push({ group: 'their_day', text: dayWords(day, dayEnd), since: dayStart(dayEnd) });
  if (nextTouchAt && nextTouchAt <= dayEnd) {
    if (nextTouchKind === 'promise')
      reasons.push({
        group: 'promised',
        text: shorten(candidate.nextTouchNote || 'You promised to be in touch'),
        since: nextTouchAt,
      });
    if (nextTouchKind === 'call')
      reasons.push({ group: 'call_due', text: shorten(candidate.nextTouchNote || 'A call is due'), since: nextTouchAt });
    if (nextTouchKind === 'rhythm') {
      const days = Math.max(0, Math.floor((now.getTime() - nextTouchAt.getTime()) / DAY));
      const last = candidate.lastOutcome ? `; last call: ${outcomeName(candidate.lastOutcome).toLowerCase()}` : '';
      reasons.push({
        group: 'overdue',
        text: `${rhythmSentence(candidate.horizonName ?? 'Horizon', days)}${last}`,
        since: nextTouchAt,
      });
    }
  }
  return reasons.sort((a, b) => placeOf(a.group) - placeOf(b.group));
}

const placeOf = (group: TodayGroup): number => TODAY_GROUPS.findIndex((one) => one.key === group);

/**
 * Ranks the candidates at `now`. Answers, oldest first: somebody waits. New leads, newest first: speed decides while it
 * can. Promises by their hour. Overdue: the warmer horizon, then the longer wait.
 */
export function rankToday(candidates: TodayCandidate[], now: Date, dayEnd: Date): TodayEntry[] {
  const entries = candidates
    .map((candidate) => ({ candidate, reasons: reasonsFor(candidate, now, dayEnd) }))
    .filter((entry) => entry.reasons.length > 0);
  entries.sort((a, b) => {
    const [first, second] = [a.reasons[0]!, b.reasons[0]!];
    if (first.group !== second.group) return placeOf(first.group) - placeOf(second.group);
    const byTime = first.since.getTime() - second.since.getTime();
    const byId = Number(a.candidate.contactId) - Number(b.candidate.contactId);
    if (first.group === 'new') return -byTime || byId;
    if (first.group === 'overdue') return b.candidate.horizonStrokes - a.candidate.horizonStrokes || byTime || byId;
    return byTime || byId;
  });
  return entries.map(({ candidate, reasons }) => ({
    contactId: candidate.contactId,
    name: candidate.name,
    stage: candidate.stage,
    horizon: candidate.horizon,
    ownerName: candidate.ownerName,
    reasons,
  }));
}
