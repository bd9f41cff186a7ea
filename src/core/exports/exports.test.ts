/** Files that go out: inert cells, cards by the rules, and a file that comes in again as it went out. */
import fc from 'fast-check';
import type { OutgoingPerson } from '../columns';
import { CardReader, findDelimiter, layoutOf, readCard, readCsv, readRow } from '../imports';
import { namesTogether } from '../contacts';
import {
  csvCell,
  csvLine,
  folded,
  inert,
  labelLines,
  labelPlace,
  nextRun,
  rhythmWords,
  SHEETS,
  type Rhythm,
  outgoingCells,
  outgoingHeadings,
  vcardOf,
} from './index';

const ODA: OutgoingPerson = {
  id: '7',
  household: null,
  first_name: 'Oda',
  last_name: 'Brandvold, the elder',
  company: 'Anchor & Co; Boats',
  emails: ['oda@x.example', 'o@y.example'],
  phones: [{ number: '+15645550104', extension: '12' }],
  street: '12 Heron Lane',
  city: 'Saltmarsh',
  region: 'WA',
  postal_code: '98741',
  country: null,
  roles: ['buyer', 'seller'],
  stage: 'Past client',
  horizon: 'warm',
  tags: ['choir', 'rowing club'],
  wants: { price_max: 450_000, bedrooms: 3, areas: ['Saltmarsh', '98741'], words: 'A red door' },
  source: 'portal',
  agent: 'Ines Karr',
  dates: [
    { kind: 'birthday', label: '', on: '--02-29' },
    { kind: 'closing', label: '', on: '2024-06-28' },
  ],
  permissions: { call: 'granted', text: 'withdrawn' },
  fields: { '3': ['red', 'blue'], '4': true },
  added: '2026-01-02',
};
const FIELDS = [
  { id: '3', name: 'Colours', kind: 'choices' as const, choices: ['red', 'blue'] },
  { id: '4', name: 'Has a key', kind: 'flag' as const, choices: [] },
];

test.each([
  ['=1+1', "'=1+1"],
  ['@SUM(A1)', "'@SUM(A1)"],
  ['\t=cmd', "'\t=cmd"],
  ['-2+3+cmd|x', "'-2+3+cmd|x"],
  ['+1 564 555 0101', '+1 564 555 0101'],
  ['-12.50', '-12.50'],
  ['+15645550191 x3; +15645550192', '+15645550191 x3; +15645550192'],
  ['+1+cmd', "'+1+cmd"],
  ['plain', 'plain'],
])('%j leaves as %j', (cell, expected) => expect(inert(cell)).toBe(expected));

test('whatever stands in a cell, the file is read back with the same cells', () => {
  fc.assert(
    fc.property(fc.array(fc.string(), { minLength: 1, maxLength: 5 }), (cells) => {
      const [record] = readCsv(csvLine(cells.map((cell) => cell.replace(/\r\n?/g, '\n'))), ',');
      expect(record!.cells).toEqual(cells.map((cell) => inert(cell.replace(/\r\n?/g, '\n'))));
      expect(csvCell(cells[0]!)).not.toMatch(/^[=@]/);
    }),
  );
});

test('a person goes out and comes in as the same person', () => {
  const text = `${csvLine(outgoingHeadings(FIELDS))}${csvLine(outgoingCells(ODA, FIELDS))}`;
  const records = readCsv(text, findDelimiter(text));
  const { headingAt, columns } = layoutOf(records.map(({ cells }) => cells));
  expect(headingAt).toBe(0);
  const person = readRow(records[1]!, 1, { columns, thisYear: 2026 });
  expect(person).toMatchObject({
    first: 'Oda',
    last: 'Brandvold, the elder',
    company: 'Anchor & Co; Boats',
    emails: ODA.emails,
    phones: ['+15645550104'],
    extensions: { '+15645550104': '12' },
    address: { street: '12 Heron Lane', city: 'Saltmarsh', postalCode: '98741' },
    region: 'WA',
    roles: ['buyer', 'seller'],
    stage: 'Past client',
    horizon: 'warm',
    tags: ['choir', 'rowing club'],
    source: 'portal',
    owner: 'Ines Karr',
    birthday: '--02-29',
    closingDate: '2024-06-28',
    permissions: { call: 'granted', text: 'withdrawn' },
    custom: { Colours: 'red; blue', 'Has a key': 'yes' },
    doubts: [],
  });
});

test('a card goes out by the rules and comes in as the same person', () => {
  const card = vcardOf({ ...ODA, company: null }, 'Tern & Tiller');
  for (const line of card.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
  const reader = new CardReader();
  const [read] = [...reader.feed(card), ...reader.end()];
  expect(read!.version).toBe('4.0');
  expect(readCard(read!, 1, 2026)).toMatchObject({
    first: 'Oda',
    last: 'Brandvold, the elder',
    emails: ODA.emails,
    phones: ['+15645550104'],
    extensions: { '+15645550104': '12' },
    birthday: '--02-29',
    tags: ODA.tags,
    address: { street: '12 Heron Lane', city: 'Saltmarsh', postalCode: '98741' },
    doubts: [],
  });
});

test('folding cuts no character and is undone by taking line ends and blanks out', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (text) =>
      expect(folded(text.replace(/[\r\n]/g, '')).replace(/\r\n /g, '')).toBe(text.replace(/[\r\n]/g, '')),
    ),
  );
});

describe('labels', () => {
  const home = { ...ODA, company: null, last_name: 'Brandvold' };
  test('a couple gets one label with both names', () => {
    expect(labelLines([home, { ...home, first_name: 'Bram' }])).toEqual([
      'Oda and Bram Brandvold',
      '12 Heron Lane',
      'Saltmarsh, WA 98741',
    ]);
    expect(namesTogether([home, { first_name: 'Bram', last_name: 'Oyelaran' }])).toBe('Oda Brandvold and Bram Oyelaran');
  });
  test('who has no street gets none', () => expect(labelLines([{ ...home, street: null }])).toEqual([]));
  test.each(Object.entries(SHEETS))('%s: all labels lie on the paper and none on another', (_, sheet) => {
    const [width, height] = sheet.paper === 'A4' ? [595.3, 841.9] : [612, 792];
    const each = sheet.columns * sheet.rows;
    const places = Array.from({ length: each }, (__, n) => labelPlace(sheet, n));
    expect(labelPlace(sheet, each)).toEqual({ ...places[0], page: 1 });
    for (const one of places) {
      expect(one.x + sheet.width).toBeLessThanOrEqual(width);
      expect(one.y + sheet.height).toBeLessThanOrEqual(height);
      for (const other of places)
        if (other !== one)
          expect(Math.abs(other.x - one.x) >= sheet.width - 0.01 || Math.abs(other.y - one.y) >= sheet.height - 0.01).toBe(true);
    }
  });
});

test('an export comes back at its time in its zone, on the last day of shorter months, and across the change of the clock', () => {
  const zone = 'America/Los_Angeles';
  const from = (rhythm: Rhythm, after: string, times: number) => {
    const found: string[] = [];
    for (let at = new Date(after); found.length < times;) {
      at = nextRun(rhythm, at, zone);
      found.push(at.toISOString().slice(0, 16));
    }
    return found;
  };
  expect(from({ every: 'day', day: 1, at: '07:30' }, '2026-10-31T14:30:00Z', 2)).toEqual([
    '2026-11-01T15:30',
    '2026-11-02T15:30',
  ]);
  expect(from({ every: 'week', day: 1, at: '07:00' }, '2026-11-23T15:00:00Z', 2)).toEqual([
    '2026-11-30T15:00',
    '2026-12-07T15:00',
  ]);
  expect(from({ every: 'week', day: 1, at: '07:00' }, '2026-11-23T14:59:00Z', 1)).toEqual(['2026-11-23T15:00']);
  expect(from({ every: 'month', day: 31, at: '23:59' }, '2027-02-01T12:00:00Z', 3)).toEqual([
    '2027-03-01T07:59',
    '2027-04-01T06:59',
    '2027-05-01T06:59',
  ]);
  expect(from({ every: 'day', day: 1, at: '02:30' }, '2027-03-14T00:00:00Z', 1)).toEqual(['2027-03-14T10:30']);
  expect([
    rhythmWords({ every: 'week', day: 7, at: '07:00' }),
    rhythmWords({ every: 'month', day: 22, at: '07:00' }),
    rhythmWords({ every: 'month', day: 13, at: '07:00' }),
    rhythmWords({ every: 'day', day: 1, at: '07:00' }),
  ]).toEqual(['every Sunday at 7 AM', 'every month on the 22nd at 7 AM', 'every month on the 13th at 7 AM', 'every day at 7 AM']);
});
