/**
 * The facts of a contact: counters and times folded from its activities, one by one, in the order they happened.
 * The same fold writes them (server) and checks them (`urraca verify`), so the two cannot disagree by design.
 */
import { isConversationOutcome, isReached } from '../calling';
import { CHANNELS } from './channels';
import { isAnswer, isHumanTry, type Activity } from './activity';

/** What a contact's activities come to, folded one after the other. */
export interface Facts {
  inquiries: number;
  firstInquiryAt: Date | null;
  lastInquiryAt: Date | null;
  attempts: number;
  firstAttemptAt: Date | null;
  lastAttemptAt: Date | null;
  reached: number;
  lastReachedAt: Date | null;
  talkSeconds: number;
  conversations: number;
  lastConversationAt: Date | null;
  textsOut: number;
  textsIn: number;
  emailsOut: number;
  emailsIn: number;
  lettersOut: number;
  lastInAt: Date | null;
  lastHumanOutAt: Date | null;
  lastTouchAt: Date | null;
  callsIn: number;
  lastCallInAt: Date | null;
  emailsOpened: number;
  lastOpenedAt: Date | null;
  visits: number;
  lastVisitAt: Date | null;
  savedHomes: number;
  lastSavedAt: Date | null;
}

export const noFacts = (): Facts => ({
  inquiries: 0,
  firstInquiryAt: null,
  lastInquiryAt: null,
  attempts: 0,
  firstAttemptAt: null,
  lastAttemptAt: null,
  reached: 0,
  lastReachedAt: null,
  talkSeconds: 0,
  conversations: 0,
  lastConversationAt: null,
  textsOut: 0,
  textsIn: 0,
  emailsOut: 0,
  emailsIn: 0,
  lettersOut: 0,
  lastInAt: null,
  lastHumanOutAt: null,
  lastTouchAt: null,
  callsIn: 0,
  lastCallInAt: null,
  emailsOpened: 0,
  lastOpenedAt: null,
  visits: 0,
  lastVisitAt: null,
  savedHomes: 0,
  lastSavedAt: null,
});

const earlier = (known: Date | null, at: Date): Date => (known && known <= at ? known : at);
const later = (known: Date | null, at: Date): Date => (known && known >= at ? known : at);

/** The facts after one more activity. Order-independent: folding in any order gives the same facts. */
export function foldFact(facts: Facts, activity: Activity): Facts {
  const { at, kind, channel, direction, data } = activity;
  const next = { ...facts };
  if (kind === 'inquiry') {
    next.inquiries += 1;
    next.firstInquiryAt = earlier(facts.firstInquiryAt, at);
    next.lastInquiryAt = later(facts.lastInquiryAt, at);
  }
  if (kind === 'call') {
    const outcome = data.outcome ?? 'no_answer';
    if (direction === 'out') {
      next.attempts += 1;
      next.firstAttemptAt = earlier(facts.firstAttemptAt, at);
      next.lastAttemptAt = later(facts.lastAttemptAt, at);
    }
    if (direction === 'in') {
      next.callsIn += 1;
      next.lastCallInAt = later(facts.lastCallInAt, at);
    }
    next.talkSeconds += data.talkSeconds ?? 0;
    if (isReached(outcome)) {
      next.reached += 1;
      next.lastReachedAt = later(facts.lastReachedAt, at);
    }
    if (isConversationOutcome(outcome)) {
      next.conversations += 1;
      next.lastConversationAt = later(facts.lastConversationAt, at);
    }
  }
  if (kind === 'outcome' && data.outcome && data.was) {
    const gained = Number(isReached(data.outcome)) - Number(isReached(data.was));
    next.reached += gained;
    if (gained > 0) next.lastReachedAt = later(facts.lastReachedAt, at);
    next.conversations += Number(isConversationOutcome(data.outcome)) - Number(isConversationOutcome(data.was));
    if (isConversationOutcome(data.outcome)) next.lastConversationAt = later(facts.lastConversationAt, at);
  }
  const counted = kind === 'message' && channel ? CHANNELS[channel].facts : null;
  const count = counted && (direction === 'out' ? counted.out : counted.in);
  if (count) next[count] += 1;
  if (kind === 'opened') {
    next.emailsOpened += 1;
    next.lastOpenedAt = later(facts.lastOpenedAt, at);
  }
  if (kind === 'visit') {
    next.visits += 1;
    next.lastVisitAt = later(facts.lastVisitAt, at);
  }
  if (kind === 'saved_home') {
    next.savedHomes += 1;
    next.lastSavedAt = later(facts.lastSavedAt, at);
  }
  if (isAnswer(activity)) next.lastInAt = later(facts.lastInAt, at);
  if (isHumanTry(activity)) next.lastHumanOutAt = later(facts.lastHumanOutAt, at);
  if ((kind === 'message' || kind === 'call') && direction === 'out') next.lastTouchAt = later(facts.lastTouchAt, at);
  return next;
}

/** When the person raised a hand that nobody of ours has taken yet: their last answer, if nobody reached out since. */
export const handRaisedAt = (facts: Facts): Date | null =>
  facts.lastInAt && (!facts.lastHumanOutAt || facts.lastHumanOutAt < facts.lastInAt) ? facts.lastInAt : null;
