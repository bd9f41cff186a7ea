/** Segments in memory and in words: each question, the sentences, editing piece by piece, days that return. */
import fc from 'fast-check';
import { formatOf } from '../format';
import {
  asked,
  asSentence,
  besides,
  firstQuestion,
  HOWS,
  isCondition,
  matches,
  monthDays,
  negated,
  replaceAt,
  segmentSentence,
  SUBJECTS,
  subjectOf,
  treeAt,
  whole,
  type Condition,
  type Known,
  type Tree,
} from './index';

const AT = new Date('2026-03-03T18:00:00Z');
const moment = { at: AT, zone: 'America/Los_Angeles' };
const ago = (days: number): Date => new Date(AT.getTime() - days * 86_400_000);
const who =
  (facts: Record<string, ReturnType<Known>>): Known =>
  (subject) =>
    facts[subject] ?? null;
const NAMES: Record<string, string> = { 'tag 7': 'rowing club', 'stage talking': 'Talking', 'person 3': 'Ines Karr' };
const name = (of: string, value: string): string | null => NAMES[`${of} ${value}`] ?? null;

describe('matching', () => {
  test.each<[string, Condition, ReturnType<Known>, boolean]>([
    ['any of', { on: 'role', how: 'any', of: ['buyer', 'seller'] }, ['seller'], true],
    ['all of', { on: 'role', how: 'all', of: ['buyer', 'seller'] }, ['seller'], false],
    ['none of', { on: 'role', how: 'none', of: ['buyer'] }, [], true],
    ['small letters', { on: 'town', how: 'any', of: ['SALTMARSH'] }, 'Saltmarsh', true],
    ['between, the ends included', { on: 'attempts', how: 'between', from: 2, to: 3 }, 3, true],
    ['nothing known is not between', { on: 'wants_bedrooms', how: 'between', to: 3 }, null, false],
    ['within', { on: 'last_attempt', how: 'within', n: 7, unit: 'days' }, ago(6.9), true],
    ['not within: also never', { on: 'last_attempt', how: 'not_within', n: 7, unit: 'days' }, null, true],
    ['longer ago: not never', { on: 'last_attempt', how: 'longer_ago', n: 7, unit: 'days' }, null, false],
    ['coming', { on: 'next_touch', how: 'coming', n: 1, unit: 'weeks' }, ago(-6), true],
    ['overdue is not coming', { on: 'next_touch', how: 'coming', n: 1, unit: 'weeks' }, ago(1), false],
    [
      'on a local day',
      { on: 'created', how: 'on_days', from: '2026-03-02', to: '2026-03-02' },
      new Date('2026-03-03T07:59:00Z'),
      true,
    ],
    ['on the next local day', { on: 'created', how: 'on_days', to: '2026-03-02' }, new Date('2026-03-03T08:00:00Z'), false],
    ['birthday in the next days, any year', { on: 'birthday', how: 'coming', n: 14, unit: 'days' }, [317], true],
    ['birthday beyond them', { on: 'birthday', how: 'coming', n: 13, unit: 'days' }, [317], false],
    ['contains', { on: 'name', how: 'contains', text: 'BRAND' }, 'Oda Brandvold', true],
    ['a percent sign is a percent sign', { on: 'name', how: 'contains', text: '%' }, 'Oda', false],
    ['no', { on: 'has_phone', how: 'no' }, null, true],
  ])('%s', (_, condition, value, expected) => expect(matches(condition, who({ [condition.on]: value }), moment)).toBe(expected));

  test('a subject (deleted) is never met, and its opposite is', () => {
    const gone: Condition = { on: 'field:99', how: 'known' };
    expect(matches(gone, who({}), moment)).toBe(false);
    expect(matches({ none: [gone] }, who({}), moment)).toBe(true);
  });

  test('of every subject each question divides people: who is not, is in the opposite', () => {
    const values = fc.constantFrom<ReturnType<Known>>(null, 'hot', ['buyer'], 3, AT, ago(40), true, [303]);
    fc.assert(
      fc.property(fc.constantFrom(...SUBJECTS), values, fc.integer({ min: 0, max: 6 }), (subject, value, n) => {
        const fits = { one: 'string', text: 'string', number: 'number', flag: 'boolean' } as Record<string, string>;
        if (value !== null && subject.kind in fits && typeof value !== fits[subject.kind]) return;
        if (value !== null && subject.kind === 'time' && !(value instanceof Date)) return;
        const listOf = { many: 'string', yearly: 'number' } as Record<string, string>;
        if (value !== null && subject.kind in listOf && !(Array.isArray(value) && typeof value[0] === listOf[subject.kind]))
          return;
        const hows = HOWS[subject.kind];
        const one = asked(firstQuestion(subject), hows[n % hows.length]!, subject);
        const known = who({ [subject.key]: value });
        expect(matches({ none: [one] }, known, moment)).toBe(!matches(one, known, moment));
      }),
    );
  });
});

describe('days that return', () => {
  test('over the turn of the year', () =>
    expect(monthDays(new Date('2026-12-30T12:00:00Z'), 'UTC', 3)).toEqual([1230, 1231, 101, 102]));
  test('29 February is kept on the 28th in other years, and on its day in its own', () => {
    expect(monthDays(new Date('2026-02-28T12:00:00Z'), 'UTC', 0)).toEqual([228, 229]);
    expect(monthDays(new Date('2028-02-28T12:00:00Z'), 'UTC', 1)).toEqual([228, 229]);
  });
  test('the day is that of the zone', () =>
    expect(monthDays(new Date('2026-03-03T03:00:00Z'), 'America/Los_Angeles', 0)).toEqual([302]));
});

describe('the sentence', () => {
  test.each<[Tree, string]>([
    [{ all: [] }, 'Everyone'],
    [
      {
        all: [
          { on: 'role', how: 'any', of: ['buyer'] },
          { on: 'town', how: 'any', of: ['Saltmarsh', 'Petrel Point'] },
          { on: 'last_conversation', how: 'not_within', n: 30, unit: 'days' },
        ],
      },
      'Buyers in Saltmarsh or Petrel Point, not spoken with for 30 days or more',
    ],
    [
      {
        all: [
          { on: 'tag', how: 'none', of: ['7'] },
          { on: 'attempts', how: 'between', to: 0 },
        ],
      },
      'People not tagged rowing club, with no call attempts',
    ],
    [
      {
        all: [
          { on: 'owner', how: 'any', of: ['3', 'me'] },
          { on: 'stage', how: 'any', of: ['talking'] },
        ],
      },
      'People with Ines Karr or me, in stage Talking',
    ],
    [
      {
        all: [
          {
            any: [
              { on: 'overdue', how: 'yes' },
              { on: 'birthday', how: 'coming', n: 0, unit: 'days' },
            ],
          },
        ],
      },
      'People (who are overdue or with a birthday today)',
    ],
    [{ all: [{ none: [{ on: 'has_phone', how: 'yes' }] }] }, 'People but not (with a phone number)'],
    [
      {
        all: [
          { on: 'tag', how: 'any', of: ['8'] },
          { on: 'field:1', how: 'known' },
        ],
      },
      'People tagged a tag (deleted), with a deleted field',
    ],
    [
      {
        all: [
          { on: 'last_attempt', how: 'within', n: 1, unit: 'days' },
          { on: 'last_attempt', how: 'longer_ago', n: 2, unit: 'hours' },
        ],
      },
      'People called in the last day, last called more than 2 hours ago',
    ],
    [
      { all: [{ on: 'created', how: 'on_days', from: '2026-01-01', to: '2026-01-31' }] },
      'People added from Jan 1, 2026 to Jan 31, 2026',
    ],
  ])('%j', (tree, sentence) => expect(segmentSentence(tree, name)).toBe(sentence));

  test('every question of every subject has words', () => {
    for (const subject of SUBJECTS)
      for (const how of HOWS[subject.kind]) {
        const sentence = segmentSentence({ all: [asked(firstQuestion(subject), how, subject)] }, name);
        expect(sentence).toMatch(/^(People|Nothing) \S/);
        expect(sentence).not.toMatch(/undefined|\s{2}|null/);
      }
  });
});

describe('editing', () => {
  const hot: Condition = { on: 'horizon', how: 'any', of: ['hot'] };
  const tried: Condition = { on: 'attempts', how: 'between', from: 1, to: null };
  test('another condition beside one, as an alternative or as one more', () => {
    const tree = asSentence(hot);
    expect(besides(tree, [0], 'all', tried)).toEqual({ all: [hot, tried] });
    const either = besides(tree, [0], 'any', tried);
    expect(either).toEqual({ all: [{ any: [hot, tried] }] });
    expect(besides(either, [0, 0], 'any', tried)).toEqual({ all: [{ any: [hot, tried, tried] }] });
  });
  test('taking the last one out of a group takes the group', () => {
    expect(replaceAt({ all: [hot, { any: [tried] }] }, [1, 0], null)).toEqual({ all: [hot] });
  });
  test('negated twice is what it was', () => {
    const tree: Tree = { all: [hot, { any: [hot, tried] }] };
    expect(negated(negated(tree, [1]), [1])).toEqual(tree);
    expect(negated({ all: [hot] }, [0])).toEqual({ all: [{ none: [hot] }] });
  });
  test('what is still being said is left out of the question', () => {
    expect(
      whole({ all: [hot, { on: 'tag', how: 'any', of: [] }, { any: [{ on: 'name', how: 'contains', text: ' ' }] }] }),
    ).toEqual({ all: [hot] });
  });
  test('every subject enters with a question that fits its kind', () => {
    for (const subject of SUBJECTS) {
      const first = firstQuestion(subject);
      expect(HOWS[subject.kind]).toContain(first.how);
      expect(subjectOf(first.on)).toBe(subject);
      expect(isCondition(treeAt({ all: [first] }, [0])!)).toBe(true);
    }
  });
});

test.each([
  ['en-US', 'People added from Nov 2, 2026 to Dec 24, 2026, last spoken with more than 1,200 days ago'],
  ['en-GB', 'People added from 2 Nov 2026 to 24 Dec 2026, last spoken with more than 1,200 days ago'],
  ['es-US', 'People added from 2 nov 2026 to 24 dic 2026, last spoken with more than 1,200 days ago'],
] as const)('days and numbers of a sentence are written as %s writes them', (locale, sentence) => {
  const tree = {
    all: [
      { on: 'created', how: 'on_days', from: '2026-11-02', to: '2026-12-24' },
      { on: 'last_conversation', how: 'longer_ago', n: 1_200, unit: 'days' },
    ],
  } as Tree;
  expect(segmentSentence(tree, () => null, [], formatOf({ locale, clock: null, weekStart: null }))).toBe(sentence);
});
