/**
 * Why something does not reach somebody, or leaves them as they are: one code and one wording for the same reason, whether a campaign, a
 * broadcast, a call, a message by hand or a change to many met it. `one` stands after a colon, `many` after a number.
 */
import { ADDRESS_KINDS, CHANNELS, type Channel } from './channels';

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
/** A reason, said of one person and of several. */
export interface RefusalEntry {
  one: (facts: RefusalFacts) => string;
  many: string;
}

export const REFUSALS = {
  do_not_contact: { one: () => 'this person is marked do not contact', many: 'are marked do not contact' },
  household_says_no: {
    one: () => 'the household is marked do not contact',
    many: 'belong to a household marked do not contact',
  },
  archived: { one: () => 'they are archived', many: 'are archived' },
  not_followed_up: {
    one: ({ stage }) => (stage ? `the stage is ${stage}, where campaigns end` : 'their stage is one where campaigns end'),
    many: 'are past the stages that campaigns follow up',
  },
  no_address: {
    one: ({ channel }) => `there is no ${channel ? ADDRESS_KINDS[CHANNELS[channel].address].name : 'such address'}`,
    many: 'have no such address',
  },
  address_broken: {
    one: ({ error }) => `the address is known to be wrong (${error})`,
    many: 'have an address that is known to be wrong',
  },
  withdrawn: {
    one: ({ day, how }) => `permission was withdrawn on ${day} (${how})`,
    many: 'said no to the channel',
  },
  opted_out: {
    one: () => 'they asked us to stop, and only they can opt back in',
    many: 'opted out; only they can opt back in',
  },
  no_permission: {
    one: ({ channel }) => `nobody has given permission for ${channel ? CHANNELS[channel].plural : 'it'}`,
    many: 'have not given permission',
  },
  registry: {
    one: () => 'the number stands on the do-not-call registry, and they have not asked us anything for three months',
    many: 'stand on the do-not-call registry',
  },
  same_household: {
    one: () => 'it goes to another of their household',
    many: 'get it with others of their household',
  },
  has_answered: { one: () => 'they answered before it left', many: 'answered before it left' },
  on_the_phone: { one: () => 'the agent is on the phone with them already', many: 'are on the phone with their agent' },
  already_in: { one: () => 'they are in it already', many: 'are in it already' },
  other_campaign: {
    one: () => 'another campaign of its group is under way',
    many: 'are in another campaign of its group',
  },
  not_on: { one: () => 'it is not switched on', many: 'wait until the campaign is switched on' },
  not_yours: {
    one: () => 'they belong to somebody else than whose own campaign it is',
    many: 'belong to others than whose own campaign it is',
  },
  so_already: { one: () => 'they are so already', many: 'are so already' },
  said_stop: {
    one: () => 'they said stop themselves, which only they take back',
    many: 'said stop themselves, which only they take back',
  },
  tried_already: { one: () => 'they were tried already, so they are not new', many: 'were tried already, so they are not new' },
  gone: { one: () => 'they were deleted in the meantime', many: 'were deleted in the meantime' },
  changed_since: { one: () => 'they were changed since', many: 'were changed since' },
  went_on: { one: () => 'it went on since', many: 'went on since' },
} as const satisfies Record<string, RefusalEntry>;
/** The code of a reason. */
export type RefusalCode = keyof typeof REFUSALS;
/** So many for each reason. */
export type RefusalCounts = Partial<Record<RefusalCode, number>>;

const SINGULAR: [RegExp, string][] = [
  [/^are /, 'is '],
  [/^have /, 'has '],
  [/^were /, 'was '],
  [/^get /, 'gets '],
  [/^belong /, 'belongs '],
  [/^stand /, 'stands '],
  [/^wait /, 'waits '],
];
/** `12 are archived`, `1 has no such address`. */
export const refusedWords = (why: RefusalCode, n: number): string => {
  const { many } = REFUSALS[why];
  const words = n === 1 ? SINGULAR.reduce((text, [several, one]) => text.replace(several, one), many as string) : many;
  return `${n.toLocaleString('en-US')} ${words}`;
};
/** `12 are so already, 3 were changed since`, the largest first; empty when there is none. */
export const refusedSentence = (counts: RefusalCounts): string =>
  (Object.entries(counts) as [RefusalCode, number][])
    .filter(([, n]) => n > 0)
    .sort((a, b) => b[1] - a[1])
    .map(([why, n]) => refusedWords(why, n))
    .join(', ');
