/**
 * What can happen to a contact, one entry for each kind: its glyph, what the timeline says of it, and which facts it counts for. Facts are
 * folded from activities one by one; the same fold writes them and checks them (`urraca verify`), so the two cannot disagree by design.
 */
import { isConversationOutcome, isReached, outcomeName } from '../calling';
import { capitalized, howLong } from '../shared';
import { dayAndTime } from '../format';
import { ACTIVITY_KINDS, isAnswer, isHumanTry, type Activity, type ActivityKind } from './activity';
import { CHANNELS } from '../channels';
import type { Facts } from './facts';
import type { TimelineItem } from './views';

/** A line of the timeline, for its words. */
export type TimelineWords = Omit<TimelineItem, 'id' | 'at'>;
/** How a page writes addresses and instants. */
export interface TimelineLocale {
  zone: string;
  /** A phone number or address as people read it. */
  address: (from: string | undefined) => string;
}
/** What is said of a kind of activity. */
export interface ActivityEntry {
  /** Null for the glyph of its channel. */
  glyph: string | null;
  /** Another program may report that they did it. */
  isReported: boolean;
  headline: (line: TimelineWords) => string;
  /** What stands below, before the reason; who of ours did it where nothing is said. */
  details?: (line: TimelineWords, locale: TimelineLocale) => (string | undefined)[];
  /** The headline is the reason already. */
  isReason?: boolean;
  /** Counts it into facts, which it may change. Order-independent. */
  fold?: (facts: Facts, activity: Activity) => void;
}

const earlier = (known: Date | null, at: Date): Date => (known && known <= at ? known : at);
const later = (known: Date | null, at: Date): Date => (known && known >= at ? known : at);
const behind = (words: string, text: string | null): string => (text ? `${words}: ${text}` : words);
const by = ({ by: who }: TimelineWords): string[] => (who ? [`by ${who}`] : []);
const plain = ({ data, text }: TimelineWords): string => [data.subject, text].filter(Boolean).join('\n');
const heldBack = ({ because }: TimelineWords): string => because ?? 'Held back';
const ended = ({ because }: TimelineWords): string => because ?? 'Follow-up ended';

const ENTRIES = {
  inquiry: {
    glyph: 'arrive',
    isReported: false,
    headline: ({ text }) => text ?? 'Asked to be contacted',
    details: ({ data }) => [
      [data.from, data.door && `door “${data.door}”`].filter(Boolean).join(', '),
      data.partner && `together with ${data.partner}`,
    ],
    fold: (facts, { at }) => {
      facts.inquiries += 1;
      facts.firstInquiryAt = earlier(facts.firstInquiryAt, at);
      facts.lastInquiryAt = later(facts.lastInquiryAt, at);
    },
  },
  handed: { glyph: 'hand', isReported: false, isReason: true, headline: ({ because }) => because ?? 'Handed over' },
  enrolled: { glyph: 'flag', isReported: false, headline: ({ data }) => `Follow-up “${data.campaign}” started` },
  stopped: { glyph: 'stop', isReported: false, isReason: true, headline: ended },
  finished: { glyph: 'done', isReported: false, isReason: true, headline: ended },
  message: {
    glyph: null,
    isReported: false,
    isReason: true,
    headline: plain,
    details: (line, { address }) =>
      [
        `${capitalized(CHANNELS[line.channel ?? 'text'].name)}${writtenBy(line, address)}`,
        line.data.autoReply && 'automatic answer',
        line.data.optOut && 'a request to stop',
      ].map((words) => words || undefined),
    fold: (facts, { channel, direction, at }) => {
      const counted = channel && CHANNELS[channel].facts;
      const count = counted && (direction === 'out' ? counted.out : counted.in);
      if (count) facts[count] += 1;
      if (direction === 'out') facts.lastTouchAt = later(facts.lastTouchAt, at);
    },
  },
  call: {
    glyph: 'call',
    isReported: true,
    headline: ({ data, direction, text }) => {
      const { talkSeconds, ringSeconds } = data;
      const length = talkSeconds
        ? `, ${howLong(talkSeconds * 1000)}`
        : ringSeconds
          ? `, rang ${howLong(ringSeconds * 1000)}`
          : '';
      const what =
        direction === 'in' ? (talkSeconds ? 'Called us' : 'Called us, no one answered') : outcomeName(data.outcome ?? '');
      return `${what}${length}${text ? `\n${text}` : ''}`;
    },
    fold: foldCall,
  },
  outcome: {
    glyph: 'call',
    isReported: false,
    headline: ({ data }) => `Outcome set to ${outcomeName(data.outcome ?? '').toLowerCase()}`,
    fold: (facts, { at, data: { outcome, was } }) => {
      if (!outcome || !was) return;
      const gained = Number(isReached(outcome)) - Number(isReached(was));
      facts.reached += gained;
      if (gained > 0) facts.lastReachedAt = later(facts.lastReachedAt, at);
      facts.conversations += Number(isConversationOutcome(outcome)) - Number(isConversationOutcome(was));
      if (isConversationOutcome(outcome)) facts.lastConversationAt = later(facts.lastConversationAt, at);
    },
  },
  note: { glyph: 'note', isReported: false, headline: plain },
  waits: { glyph: 'wait', isReported: false, isReason: true, headline: heldBack },
  held: { glyph: 'held', isReported: false, isReason: true, headline: heldBack },
  bounced: { glyph: 'held', isReported: false, isReason: true, headline: heldBack },
  stage: { glyph: 'flag', isReported: false, headline: ({ text }) => text ?? '' },
  changed: { glyph: 'note', isReported: false, headline: plain },
  permission: {
    glyph: 'done',
    isReported: false,
    headline: ({ channel, text }) => `${channel ? capitalized(CHANNELS[channel].name) : ''}: ${text ?? ''}`,
  },
  task: { glyph: 'call', isReported: false, headline: ({ text }) => `Call due: ${text ?? ''}` },
  next_touch: {
    glyph: 'wait',
    isReported: false,
    headline: ({ text, data }) => (text ? `Next touch: ${text}` : data.dueAt ? 'Next touch set' : 'Promise removed'),
    details: (line, { zone }) => [...by(line), line.data.dueAt && dayAndTime(new Date(line.data.dueAt), zone)],
  },
  opened: {
    glyph: 'email',
    isReported: true,
    headline: ({ text }) => behind('Opened an email', text),
    fold: (facts, { at }) => {
      facts.emailsOpened += 1;
      facts.lastOpenedAt = later(facts.lastOpenedAt, at);
    },
  },
  clicked: { glyph: 'note', isReported: false, headline: ({ text }) => behind('Clicked a link', text) },
  visit: {
    glyph: 'visit',
    isReported: true,
    headline: ({ text }) => text || 'Visited home search',
    fold: (facts, { at }) => {
      facts.visits += 1;
      facts.lastVisitAt = later(facts.lastVisitAt, at);
    },
  },
  viewed_home: { glyph: 'visit', isReported: true, headline: ({ text }) => behind('Viewed a home', text) },
  saved_home: {
    glyph: 'visit',
    isReported: true,
    headline: ({ text }) => behind('Saved a home', text),
    fold: (facts, { at }) => {
      facts.savedHomes += 1;
      facts.lastSavedAt = later(facts.lastSavedAt, at);
    },
  },
} as const satisfies Record<ActivityKind, ActivityEntry>;
export const ACTIVITIES: Record<ActivityKind, ActivityEntry> = ENTRIES;
/** What another program may report that a person did. */
export type ReportedKind = { [K in ActivityKind]: (typeof ENTRIES)[K] extends { isReported: true } ? K : never }[ActivityKind];

function writtenBy({ direction, data, because, by: who }: TimelineWords, address: TimelineLocale['address']): string {
  if (direction === 'in') return ` from ${address(data.from)}`;
  if (!data.automatic) return ` by ${who ?? 'us'}`;
  return data.campaign ? ` by “${data.campaign}”, day ${data.day ?? 0}` : `, ${because ?? 'by itself'}`;
}

function foldCall(facts: Facts, { at, direction, data }: Activity): void {
  const outcome = data.outcome ?? 'no_answer';
  if (direction === 'out') {
    facts.attempts += 1;
    facts.firstAttemptAt = earlier(facts.firstAttemptAt, at);
    facts.lastAttemptAt = later(facts.lastAttemptAt, at);
    facts.lastTouchAt = later(facts.lastTouchAt, at);
  }
  if (direction === 'in') {
    facts.callsIn += 1;
    facts.lastCallInAt = later(facts.lastCallInAt, at);
  }
  facts.talkSeconds += data.talkSeconds ?? 0;
  if (isReached(outcome)) {
    facts.reached += 1;
    facts.lastReachedAt = later(facts.lastReachedAt, at);
  }
  if (isConversationOutcome(outcome)) {
    facts.conversations += 1;
    facts.lastConversationAt = later(facts.lastConversationAt, at);
  }
}

/** What a person did outside of Urraca and somebody reports: a visit to a home search, a home looked at or saved, an email opened, a call they made to us. */
export const REPORTED_KINDS = ACTIVITY_KINDS.filter((kind): kind is ReportedKind => ACTIVITIES[kind].isReported);

/** The facts after one more activity. Order-independent: folding in any order gives the same facts. */
export function foldFact(facts: Facts, activity: Activity): Facts {
  const next = { ...facts };
  ACTIVITIES[activity.kind].fold?.(next, activity);
  if (isAnswer(activity)) next.lastInAt = later(facts.lastInAt, activity.at);
  if (isHumanTry(activity)) next.lastHumanOutAt = later(facts.lastHumanOutAt, activity.at);
  return next;
}

/** What stands below the headline: who, by what, and why. */
export function detailOf(line: TimelineWords, locale: TimelineLocale): string {
  const { details, isReason } = ACTIVITIES[line.kind];
  const parts = details ? details(line, locale) : by(line);
  return [...parts, isReason ? null : line.because].filter(Boolean).join(' · ');
}
