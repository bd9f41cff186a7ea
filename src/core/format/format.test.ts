/** What people see of dates, times and money, in each locale that is offered; and what they may type. */
import fc from 'fast-check';
import { DEFAULT_FORMAT, formatOf, LOCALES, readMoney, readTime, type Format } from '.';

const AT = new Date('2026-11-23T18:24:00Z');
const ZONE = 'America/Los_Angeles';
const shown = (format: Format) => [
  format.time(AT, ZONE),
  format.clockTime('09:00'),
  format.clockTime('21:30'),
  format.shortDay(AT, ZONE),
  format.dayAndTime(AT, ZONE),
  format.plainDay('2027-02-15'),
  format.plainDay('--02-29'),
  format.numericDay('2026-11-23'),
  format.number(1570),
  format.money(469_400),
  format.money(1_234.5, true),
  format.shortMoney(287_000),
  format.percent(0.62),
  format.weekStart,
];

test('a US account: month first, AM and PM, weeks from Sunday', () => {
  expect(shown(formatOf(DEFAULT_FORMAT))).toEqual([
    '10:24 AM',
    '9 AM',
    '9:30 PM',
    'Nov 23',
    'Mon, Nov 23, 10:24 AM',
    'Feb 15, 2027',
    'Feb 29',
    '11/23/2026',
    '1,570',
    '$469,400',
    '$1,234.50',
    '$287K',
    '62%',
    7,
  ]);
});

test('en-GB: day first, 24 hours, weeks from Monday', () => {
  expect(shown(formatOf({ ...DEFAULT_FORMAT, locale: 'en-GB' }))).toEqual([
    '10:24',
    '09:00',
    '21:30',
    '23 Nov',
    'Mon 23 Nov, 10:24',
    '15 Feb 2027',
    '29 Feb',
    '23/11/2026',
    '1,570',
    '$469,400',
    '$1,234.50',
    '$287k',
    '62%',
    1,
  ]);
});

test('es-US: its own months, dollars and commas as here', () => {
  const es = formatOf({ ...DEFAULT_FORMAT, locale: 'es-US' });
  expect([es.money(469_400), es.numericDay('2026-11-23'), es.number(1570), es.weekStart]).toEqual([
    '$469,400',
    '23/11/2026',
    '1,570',
    7,
  ]);
  expect(es.shortDay(AT, ZONE)).toMatch(/23.*nov/);
  expect(es.time(AT, ZONE)).toMatch(/^10:24 a\.\s?m\.$/);
});

test.each(LOCALES)('%s: the clock and the first day are as chosen', (locale) => {
  expect(formatOf({ locale, clock: 24, weekStart: 6 })).toMatchObject({ clock: 24, weekStart: 6 });
  expect(formatOf({ locale, clock: 24, weekStart: null }).time(new Date('2026-11-24T02:05:00Z'), ZONE)).toBe('18:05');
  expect(formatOf({ locale, clock: 12, weekStart: null }).time(AT, ZONE)).toMatch(/^10:24 ?[ap]/i);
});

test('what is no day stays as it is; midnight is a time of its day', () => {
  const us = formatOf();
  expect(['soon', '2026-13-40', ''].map(us.plainDay)).toEqual(['soon', '2026-13-40', '']);
  expect(us.time(new Date('2026-11-23T08:00:00Z'), ZONE)).toBe('12:00 AM');
  expect(formatOf({ ...DEFAULT_FORMAT, clock: 24 }).time(new Date('2026-11-23T08:00:00Z'), ZONE)).toBe('00:00');
});

test.each([
  ['9', '09:00'],
  ['9:30', '09:30'],
  ['9:30 PM', '21:30'],
  ['930a', '09:30'],
  ['12 am', '00:00'],
  ['12 p.m.', '12:00'],
  ['14:05', '14:05'],
  ['noon', '12:00'],
  ['25:00', null],
  ['13 pm', null],
  ['0 am', null],
  ['9:75', null],
  ['soon', null],
])('the time %j is %j', (typed, read) => expect(readTime(typed)).toBe(read));

test('every time is read as it is shown', () => {
  const minute = fc.integer({ min: 0, max: 1_439 });
  fc.assert(
    fc.property(minute, fc.constantFrom<12 | 24>(12, 24), (at, clock) => {
      const time = `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
      expect(readTime(formatOf({ ...DEFAULT_FORMAT, clock }).clockTime(time))).toBe(time);
    }),
  );
});

test.each([
  ['$400k', 400_000],
  ['1.2M', 1_200_000],
  ['$469,400', 469_400],
  ['469 400', 469_400],
  ['450 thousand', 450_000],
  ['12.50', 12.5],
  ['500000 USD', 500_000],
  ['4,00', null],
  ['-5', null],
  ['a lot', null],
  ['', null],
])('the sum %j is %j', (typed, read) => expect(readMoney(typed)).toBe(read));

test('the week begins where the person’s calendar does; counts know one from many', () => {
  const us = formatOf(DEFAULT_FORMAT);
  expect(us.weekdays.map(({ day, short }) => `${day} ${short}`)).toEqual([
    '7 Sun',
    '1 Mon',
    '2 Tue',
    '3 Wed',
    '4 Thu',
    '5 Fri',
    '6 Sat',
  ]);
  expect(formatOf({ ...DEFAULT_FORMAT, weekStart: 6 }).weekdays[0]).toEqual({ day: 6, short: 'Sat', long: 'Saturday' });
  expect(formatOf({ ...DEFAULT_FORMAT, locale: 'es-US' }).weekdays[1]).toMatchObject({ day: 1, long: 'lunes' });
  expect([us.count(1, 'person', 'people'), us.count(1_204, 'person', 'people'), us.count(0, 'lead', 'leads')]).toEqual([
    '1 person',
    '1,204 people',
    '0 leads',
  ]);
});
