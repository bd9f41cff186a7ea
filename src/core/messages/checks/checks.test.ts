/** The checks of words: each finds what it is for, with a place, and leaves good wording alone. */
import { STARTERS, stepsIn } from '../../campaigns';
import { partsOf, shinglesOf } from '..';
import { checkWords, longestParts, readings, slipsIn, type Checked } from '.';

const GOOD = 'Hello {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}. When may I call? Reply STOP to opt out.';
const text = (words: string, more: Partial<Checked> = {}): Checked => ({
  channel: 'text',
  words: {
    text: words,
    plain: 'Hello, {{ agent_first_name }} at {{ brokerage }}. When may I call? Reply STOP to opt out.',
  },
  fields: ['My boat'],
  ...more,
});
const rules = (checked: Checked) => checkWords(checked).map(({ rule }) => rule);

test('good wording has no finding, in any of the starters', () => {
  expect(checkWords(text(GOOD))).toEqual([]);
  for (const { name, plan } of STARTERS)
    for (const step of stepsIn(plan.steps))
      if (step.do === 'touch')
        expect([
          name,
          step.id,
          checkWords({ channel: step.channel, words: step.words, fields: [] }).filter(
            ({ rule }) => rule !== 'sender' && rule !== 'opt_out',
          ),
        ]).toEqual([name, step.id, []]);
});

test.each([
  ['{{ frist_name }} at {{ brokerage }} STOP', 'unknown_field', 'frist_name'],
  ['{{ field.yacht }} {{ brokerage }} STOP', 'unknown_field', 'yacht'],
  ['{% if city %}x {{ brokerage }} STOP', 'syntax', '{%'],
  [`${GOOD} Act now!`, 'filter_word', 'Act now'],
  [`${GOOD} CALL ME TODAY PLEASE`, 'filter_word', 'CALL ME TODAY PLEASE'],
  [`${GOOD} It is fr3e.`, 'disguised', 'fr3e'],
  [`${GOOD} It is f.r.e.e now.`, 'disguised', 'f.r.e.e'],
  [`${GOOD} Саsh.`, 'disguised', 'Саsh'],
  [`${GOOD} Ca​sh.`, 'disguised', '​'],
  [`${GOOD} A safe neighborhood.`, 'housing', 'safe neighborhood'],
  [`${GOOD} Perfect for young families.`, 'housing', 'Perfect for young families'],
  [`${GOOD} No children.`, 'housing', 'No children'],
  [`${GOOD} Walking distance to the church.`, 'housing', 'Walking distance to the church'],
  [`${GOOD} See http://homes.example/x`, 'link', 'http://homes.example/x'],
])('%s: %s at “%s”', (words, rule, place) => {
  const found = checkWords(text(words)).find((one) => one.rule === rule)!;
  expect(words.slice(found.at!.from, found.at!.to)).toBe(place);
  expect(found.because.length).toBeGreaterThan(20);
});

test('sender and opt-out are missed in texts only; a plain version must do without what may not be known', () => {
  expect(rules(text('When may I call?'))).toEqual(expect.arrayContaining(['sender', 'opt_out']));
  const mail: Checked = { channel: 'email', words: { subject: 'Yes', text: 'When may I call?', plain: 'When?' }, fields: [] };
  expect(rules(mail)).toEqual([]);
  expect(rules({ ...mail, words: { ...mail.words, subject: '' } })).toEqual(['empty']);
  expect(rules({ ...mail, words: { ...mail.words, plain: '' } })).toEqual(['plain_missing']);
  expect(rules({ ...mail, words: { ...mail.words, plain: 'Hello {{ city }}' } })).toEqual(['plain_unknown']);
  expect(rules({ ...mail, words: { ...mail.words, plain: 'Hello {{ city | default: "there" }}' } })).toEqual([]);
});

test('every wording is read, and those that read wrong come first', () => {
  const words = '{A|An} {offer|house} {for you|}, {{ first_name }}. {when|When} may I call?';
  const [reading] = readings(text(words));
  expect(reading).toMatchObject({ part: 'text', count: 16, whole: true });
  expect(reading!.sample[0]!.slips.length).toBeGreaterThan(1);
  const all = new Set(reading!.sample.flatMap(({ slips }) => slips.map(({ what }) => what)));
  expect(all).toEqual(
    new Set([
      '“a” before a vowel',
      '“an” before a consonant',
      'a space before punctuation',
      'a sentence that doesn’t start with a capital',
    ]),
  );
  expect(slipsIn('An honest hour at a university, a one-off. At 9 a.m. we meet, e.g. in Saltmarsh.')).toEqual([]);
  expect(slipsIn('Two  spaces').map(({ what }) => what)).toEqual(['doubled spaces']);
});

test('what reads wrong is told once for all its wordings, with the place in the words as they are written', () => {
  const words =
    'Hello {{ first_name }} , {this is|here is} {{ agent_first_name }} at {{ brokerage }}. {May|may} I call? Reply STOP to opt out.';
  const found = checkWords(text(words)).filter(({ rule }) => rule === 'reads_wrong');
  expect(found.map(({ message }) => message.replace(/: “.*/, ''))).toEqual([
    'All 4 wordings have a space before punctuation',
    '2 wordings have a sentence that doesn’t start with a capital',
  ]);
  for (const { at, level } of found) {
    expect(level).toBe('warning');
    expect(words.slice(at!.from, at!.to).length).toBeGreaterThanOrEqual(6);
  }
  const single = checkWords(text(GOOD.replace('When', 'when'))).find(({ rule }) => rule === 'reads_wrong')!;
  expect(single.message).toMatch(/^It has a sentence that doesn’t start with a capital: “/);
});

test('parts are counted in the alphabet that the text needs', () => {
  expect(partsOf('a'.repeat(160))).toMatchObject({ alphabet: 'GSM-7', parts: 1 });
  expect(partsOf('a'.repeat(161))).toMatchObject({ parts: 2 });
  expect(partsOf('€'.repeat(80))).toMatchObject({ alphabet: 'GSM-7', units: 160, parts: 1 });
  expect(partsOf('’' + 'a'.repeat(69))).toMatchObject({ alphabet: 'UCS-2', parts: 1, outside: ['’'] });
  expect(partsOf('’' + 'a'.repeat(70))).toMatchObject({ parts: 2 });
  expect(partsOf('')).toMatchObject({ parts: 0 });
  expect(longestParts(`{a|${'b'.repeat(200)}} {{ first_name }}`).parts).toBe(2);
});

test('a template too like another is shown with how alike; 500 others are compared at once', () => {
  const others = Array.from({ length: 500 }, (_, n) => ({
    id: String(n),
    name: `Template ${n}`,
    shingles: shinglesOf(
      `${GOOD.slice(0, n % 60)} number ${n} speaks of ${'streets and harbors '.repeat(1 + (n % 9))} in its own words ${n * 7}`,
    ),
  }));
  const began = performance.now();
  expect(checkWords(text(GOOD), others)).toEqual([]);
  expect(performance.now() - began).toBeLessThan(1_000);
  const [alike] = checkWords(text(GOOD.replace('may I call', 'could I call')), [
    { id: '1', name: 'First text', shingles: shinglesOf(GOOD) },
  ]);
  expect(alike).toMatchObject({ rule: 'alike', message: expect.stringMatching(/^It is [67]\d% the same as “First text”\.$/) });
});
