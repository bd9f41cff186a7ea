/** Segments that come from outside: what is asked must be known, fit its kind, and be borne by a database; fields of one's own speak in their kind. */
import { AppError } from '../shared';
import { EVERYBODY, segmentSentence, subjectOf, type FieldDef, type Tree } from '.';
import { readTree } from './schemas';

const error = (input: unknown, of: 'contacts' | 'lead' = 'contacts'): string | null => {
  try {
    readTree(input, [], of);
    return null;
  } catch (error) {
    const [field] = (error as AppError).facts.fields ?? [];
    return field ? `${field.field} ${field.message}` : String(error);
  }
};
const nested = (depth: number): unknown => (depth === 0 ? { on: 'has_phone', how: 'yes' } : { all: [nested(depth - 1)] });

test('a tree is taken as it is', () => {
  const tree: Tree = { all: [{ on: 'stage', how: 'any', of: ['new'] }, { any: [{ on: 'attempts', how: 'between', to: 0 }] }] };
  expect(readTree(tree)).toEqual(tree);
  expect(readTree(EVERYBODY)).toEqual(EVERYBODY);
  expect(error({ on: 'field:999', how: 'known' })).toBeNull();
});

test.each<[unknown, RegExp]>([
  [null, /is not a segment/],
  ['everybody', /is not a segment/],
  [{ on: 'stage', how: 'any', of: [7] }, /is not a segment/],
  [{ all: [], any: [] }, /is not a segment/],
  [{ all: [{ on: 'shoe_size', how: 'known' }] }, /^tree\.0 asks about “shoe_size”/],
  [{ all: [{ on: 'stage', how: 'contains', text: 'x' }] }, /“stage” cannot be asked “contains”; it can be asked any/],
  [{ all: [{ on: 'stage', how: 'any' }] }, /needs “of”/],
  [{ any: [EVERYBODY, { on: 'created', how: 'within', n: 3 }] }, /^tree\.1 needs “unit”/],
  [{ on: 'attempts', how: 'between', from: '09:00' }, /needs numbers/],
  [{ on: 'created', how: 'on_days', from: 5 }, /needs days/],
  [{ on: 'created', how: 'within', n: -1, unit: 'days' }, /is not a segment/],
  [nested(9), /nested deeper than 8/],
  [{ all: Array.from({ length: 61 }, () => nested(0)) }, /more than 60 conditions/],
])('%j is refused with its place', (input, words) => {
  expect(error(input)).toMatch(words);
});

test('what is known of a lead alone cannot be asked of contacts', () => {
  const asked = { on: 'lead_source', how: 'any', of: ['Sign'] };
  expect(error(asked)).toMatch(/doesn’t exist/);
  expect(error(asked, 'lead')).toBeNull();
});

const field = (id: string, name: string, kind: FieldDef['kind']): FieldDef => ({ id, name, kind, choices: [] });
const FIELDS = [
  field('1', 'Boat', 'text'),
  field('2', 'Berths', 'number'),
  field('3', 'Launched', 'date'),
  field('4', 'Regatta', 'yearly'),
  field('5', 'Rig', 'choice'),
  field('6', 'Insured', 'flag'),
];
test.each<[Tree, string]>([
  [{ on: 'field:1', how: 'begins', text: 'Sea' }, 'People whose “Boat” begins with “Sea”'],
  [{ on: 'field:1', how: 'unknown' }, 'People without “Boat”'],
  [{ on: 'field:2', how: 'between', from: 2, to: 4 }, 'People with 2 to 4 as “Berths”'],
  [{ on: 'field:2', how: 'between', from: 3, to: 3 }, 'People with exactly 3 as “Berths”'],
  [{ on: 'field:3', how: 'on_days', from: '2026-01-01' }, 'People “Launched” since Jan 1, 2026'],
  [{ on: 'field:4', how: 'coming', n: 2, unit: 'weeks' }, 'People with “Regatta” in the next 2 weeks'],
  [{ on: 'field:5', how: 'none', of: ['Sloop', 'Yawl'] }, 'People whose “Rig” is not Sloop or Yawl'],
  [{ on: 'field:6', how: 'no' }, 'People without “Insured”'],
])('a field of one’s own is spoken of in its kind: %j', (tree, sentence) => {
  expect(segmentSentence({ all: [tree] }, () => null, FIELDS)).toBe(sentence);
  expect(readTree(tree, FIELDS)).toEqual(tree);
});
test('a field (deleted) has no subject', () => {
  expect([subjectOf('field:9', FIELDS), subjectOf('never'), subjectOf('field:2', FIELDS)?.kind]).toEqual([null, null, 'number']);
});
