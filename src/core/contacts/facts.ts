/**
 * The facts of a contact: counters and times folded from its activities, one by one, in the order they happened.
 * The same fold writes them (server) and checks them (`urraca verify`), so the two cannot disagree by design.
 */

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

/** When the person raised a hand that nobody of ours has taken yet: their last answer, if nobody reached out since. */
export const handRaisedAt = (facts: Facts): Date | null =>
  facts.lastInAt && (!facts.lastHumanOutAt || facts.lastHumanOutAt < facts.lastInAt) ? facts.lastInAt : null;
