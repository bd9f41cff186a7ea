/** Why something does not reach somebody: each reason has a wording for one and for several that reads. */
import { refusedBecause, REFUSALS, refusedSentence, refusedWords, sentenceOf, type RefusalCode } from '.';

const CODES = Object.keys(REFUSALS) as RefusalCode[];
const FACTS = { channel: 'text', stage: 'Client', error: 'wrong number', day: 'Mon 2 Nov, 10:00', how: 'replied STOP' } as const;

test.each(CODES)('%s is a clause behind a colon, and behind a number', (code) => {
  for (const words of [refusedBecause(code, FACTS), refusedBecause(code), refusedWords(code, 2), refusedWords(code, 2, FACTS)]) {
    expect(words).not.toMatch(/\.$|null|\[object| {2}/);
    expect(words).toMatch(/^(?:2 )?[a-z]/);
  }
  expect(refusedBecause(code, FACTS)).not.toMatch(/undefined/);
});

test('one of them is said in the singular', () => {
  expect(refusedWords('do_not_contact', 1)).toBe('1 is marked do not contact');
  expect(refusedWords('household_says_no', 1)).toBe('1 belongs to a household marked do not contact');
  expect(refusedWords('no_address', 1)).toBe('1 has no address for it');
  expect(refusedWords('same_household', 1)).toBe('1 gets it together with their household');
  expect(refusedWords('no_permission', 1, { channel: 'text' })).toBe('1 hasn’t agreed to texts');
  expect(refusedWords('no_address', 3, { channel: 'email' })).toBe('3 have no email address');
  expect(refusedWords('withdrawn', 2, { channel: 'letter' })).toBe('2 opted out of letters');
  expect(refusedWords('not_on', 1_200)).toBe('1,200 wait until the campaign is on');
});

test('the most common reason comes first, and none is said for nobody', () => {
  expect(refusedSentence({ archived: 1, no_address: 12, gone: 0 })).toBe('12 have no address for it, 1 is archived');
  expect(refusedSentence({})).toBe('');
});

test('a message that did not go says the same as the preview of many', () => {
  for (const why of ['do_not_contact', 'no_address', 'no_permission', 'registry', 'has_answered'] as const)
    expect(sentenceOf({ why, channel: 'text' })).toBe(`The text was not sent: ${refusedBecause(why, { channel: 'text' })}.`);
});
