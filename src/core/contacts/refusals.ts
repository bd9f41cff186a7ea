/**
 * Why something does not reach somebody, or leaves them as they are: one code and one wording for the same reason, whether a campaign, a
 * broadcast, a call, a message by hand or a change to many met it. `one` stands after a colon, `many` after a number.
 */
import { formatNumber } from '../format';
import { inSingular } from '../shared';
import { ADDRESS_KINDS, CHANNELS, type Channel } from '../channels';

/** What the reason for one person may name. */
export interface RefusalFacts {
  channel?: Channel;
  /** The name of their stage. */
  stage?: string;
  /** What is wrong with the address. */
  error?: string;
  /** The day on which they said no, in words, and how. */
  day?: string;
  how?: string;
}
type Said = string | ((facts: RefusalFacts) => string);
/** A reason, said of one person and of several. */
export interface RefusalEntry {
  one: Said;
  many: Said;
}

const addressName = ({ channel }: RefusalFacts): string =>
  channel ? ADDRESS_KINDS[CHANNELS[channel].address].name : 'address for it';
const pluralOf = ({ channel }: RefusalFacts): string => (channel ? CHANNELS[channel].plural : 'it');

export const REFUSALS = {
  do_not_contact: { one: 'this person is marked do not contact', many: 'are marked do not contact' },
  household_says_no: {
    one: 'the household is marked do not contact',
    many: 'belong to a household marked do not contact',
  },
  archived: { one: 'they are archived', many: 'are archived' },
  not_followed_up: {
    one: ({ stage }) => (stage ? `the stage is ${stage}, where campaigns end` : 'they are in a stage where campaigns end'),
    many: 'are in stages where campaigns end',
  },
  no_address: { one: (facts) => `there is no ${addressName(facts)}`, many: (facts) => `have no ${addressName(facts)}` },
  address_broken: {
    one: ({ error }) => `the address is known to be wrong (${error})`,
    many: 'have an address that is known to be wrong',
  },
  withdrawn: {
    one: ({ day, how }) => `permission was withdrawn on ${day} (${how})`,
    many: (facts) => `opted out of ${pluralOf(facts)}`,
  },
  opted_out: {
    one: 'they asked us to stop, and only they can opt back in',
    many: 'opted out; only they can opt back in',
  },
  no_permission: {
    one: (facts) => `no permission for ${pluralOf(facts)}`,
    many: (facts) => `haven’t agreed to ${pluralOf(facts)}`,
  },
  registry: {
    one: 'the number is on the do-not-call registry, and they haven’t asked us anything in three months',
    many: 'are on the do-not-call registry',
  },
  same_household: { one: 'their household gets one together', many: 'get it together with their household' },
  has_answered: { one: 'they replied first', many: 'replied first' },
  on_the_phone: { one: 'the agent is already on the phone with them', many: 'are on the phone with their agent' },
  already_in: { one: 'they’re already in it', many: 'are already in it' },
  other_campaign: { one: 'they’re in another campaign of its group', many: 'are in another campaign of its group' },
  not_on: { one: 'it’s not on', many: 'wait until the campaign is on' },
  not_yours: {
    one: 'it belongs to another agent',
    many: 'belong to another agent',
  },
  so_already: { one: 'nothing to change', many: 'need no change' },
  said_stop: {
    one: 'they opted out themselves; only they can opt back in',
    many: 'opted out themselves; only they can opt back in',
  },
  tried_already: {
    one: 'they’ve already been attempted, so they’re not new',
    many: 'have already been attempted, so they’re not new',
  },
  gone: { one: 'they were deleted in the meantime', many: 'were deleted in the meantime' },
  changed_since: { one: 'they’ve changed since', many: 'have changed since' },
  went_on: { one: 'it has moved on since', many: 'have moved on since' },
} as const satisfies Record<string, RefusalEntry>;
/** The code of a reason. */
export type RefusalCode = keyof typeof REFUSALS;
/** So many for each reason. */
export type RefusalCounts = Partial<Record<RefusalCode, number>>;

const said = (words: Said, facts: RefusalFacts): string => (typeof words === 'string' ? words : words(facts));
/** The reason for one person, to stand after a colon. */
export const refusedBecause = (why: RefusalCode, facts: RefusalFacts = {}): string => said(REFUSALS[why].one, facts);
/** `12 are archived`, `1 has no email address`. */
export const refusedWords = (why: RefusalCode, n: number, facts: RefusalFacts = {}): string => {
  const words = said(REFUSALS[why].many, facts);
  return `${formatNumber(n)} ${n === 1 ? inSingular(words) : words}`;
};
/** `12 need no change, 3 were changed since`, the largest first; empty when there is none. */
export const refusedSentence = (counts: RefusalCounts, facts: RefusalFacts = {}): string =>
  (Object.entries(counts) as [RefusalCode, number][])
    .filter(([, n]) => n > 0)
    .sort((a, b) => b[1] - a[1])
    .map(([why, n]) => refusedWords(why, n, facts))
    .join(', ');
