/** Values of an account's own fields: what each kind takes, what it gives back, and what it refuses in words of the field. */
import type { FieldDef } from '../segments';
import { dayOfYear, fieldRows, fieldValue, type FieldInput } from '.';

const field = (kind: FieldDef['kind'], choices: string[] = []): FieldDef => ({ id: '7', name: 'Boat', kind, choices });

test.each<[FieldDef, FieldInput, FieldInput]>([
  [field('text'), '  A sloop ', 'A sloop'],
  [field('number'), '1,250', 1250],
  [field('money'), '$ 410 000', 410_000],
  [field('money'), -3, -3],
  [field('date'), '2024-02-29', '2024-02-29'],
  [field('yearly'), '02-29', '02-29'],
  [field('yearly'), '--11-03', '11-03'],
  [field('yearly'), '1980-11-03', '1980-11-03'],
  [field('choice', ['Sail', 'Motor']), 'sail', 'Sail'],
  [field('choices', ['Sail', 'Motor']), ['motor', 'SAIL', 'motor'], ['Motor', 'Sail']],
  [field('flag'), 'yes', true],
  [field('flag'), false, false],
  [field('contact'), 42, '42'],
  [field('text'), '', null],
  [field('choices', ['Sail']), [], null],
])('%j takes %j and gives %j', (def, value, back) => {
  expect(fieldValue(def, fieldRows(def, value))).toEqual(back);
});

test.each<[FieldDef, FieldInput]>([
  [field('text'), 'x'.repeat(2_001)],
  [field('number'), 'many'],
  [field('money'), '$'],
  [field('number'), '1e99'],
  [field('date'), '2025-02-29'],
  [field('date'), '03/11/2026'],
  [field('yearly'), '13-01'],
  [field('choice', ['Sail', 'Motor']), ['Sail', 'Motor']],
  [field('choice', ['Sail']), 'Steam'],
  [field('flag'), 'maybe'],
  [field('contact'), 'Ines'],
])('%j refuses %j, and names the field', (def, value) => {
  expect(() => fieldRows(def, value)).toThrow('“Boat”');
});

test.each([
  ['2000-02-29', 229],
  ['1900-02-29', null],
  ['04-31', null],
  ['00-10', null],
  ['1-1', null],
  ['--12-31', 1231],
])('the day of the year of %s is %s', (text, day) => {
  expect(dayOfYear(text)).toBe(day);
});
