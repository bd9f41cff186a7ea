/** One entry is enough: whatever a column is for follows from it, and no two of them are called alike. */
import { meaningOf, TARGETS } from '../imports';
import { MERGE_FIELDS, mergeFields } from '../messages';
import { outgoingHeadings } from '../exports';
import { SUBJECTS, subjectOf } from '../segments';
import { columnsFor, CONTACT_COLUMNS, type ContactColumn, type OutgoingPerson } from '.';

test('each use of a column is that of its entry', () => {
  expect(columnsFor('grid').map(([key]) => key)).toContain('last_spoke');
  expect(outgoingHeadings([]).slice(0, 4)).toEqual(['First name', 'Last name', 'Company', 'Emails']);
  expect(TARGETS.city).toBe(CONTACT_COLUMNS.city.name);
  expect(MERGE_FIELDS.city).toBe(CONTACT_COLUMNS.city.merge);
  expect(columnsFor('filter').every(([, { filter }]) => subjectOf(filter, []))).toBe(true);
});

test('what goes out under a name means the same when it comes in', () => {
  for (const [, column] of columnsFor('export'))
    if (column.import) expect([column.name, meaningOf(column.heading ?? column.name)]).toEqual([column.name, column.import]);
});

/** The headings of files that went out before columns were called as they are now. */
test.each([
  ['Emails', 'email'],
  ['E-mails', 'email'],
  ['Town', 'city'],
  ['Postal code', 'postal_code'],
  ['Wants: price from', 'want_price_min'],
  ['Wants: property kinds', 'want_kinds'],
  ['Wants: in words', 'want_words'],
  ['Wedding anniversary', 'anniversary'],
  ['OK to e-mail', 'permit_email'],
  ['OK to letter', 'permit_letter'],
])('a file that went out headed %j still comes in', (heading, target) => expect(meaningOf(heading)).toBe(target));

test('no two columns are called alike, nor mean the same in a file', () => {
  const names = Object.values<ContactColumn>(CONTACT_COLUMNS).map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  const targets = columnsFor('import').map(([, column]) => column.import);
  expect(new Set(targets).size).toBe(targets.length);
});

test('a column and the question about it are called alike where they ask for the same', () => {
  const named = new Map(SUBJECTS.map(({ key, label }) => [key, label]));
  for (const key of [
    'name',
    'company',
    'city',
    'postal_code',
    'street',
    'stage',
    'horizon',
    'source',
    'agent',
    'next_touch',
  ] as const)
    expect(named.get(CONTACT_COLUMNS[key].filter)).toBe(CONTACT_COLUMNS[key].name);
});

test('a line of a file says what is known and leaves the rest empty', () => {
  const nobody: OutgoingPerson = {
    id: '1',
    household: null,
    first_name: 'Oda',
    last_name: '',
    company: null,
    emails: [],
    phones: [{ number: '+15645550101', extension: '12' }],
    street: null,
    city: null,
    region: null,
    postal_code: null,
    country: null,
    roles: ['buyer'],
    stage: 'New',
    horizon: null,
    tags: ['lake', 'dog'],
    wants: { bedrooms: 3, areas: ['Saltmarsh', 'Quillhaven'] },
    source: null,
    agent: null,
    dates: [{ kind: 'birthday', label: 'birthday', on: '--04-01' }],
    permissions: { text: 'granted', email: 'withdrawn' },
    fields: {},
    added: '2026-11-30',
  };
  const line = Object.fromEntries(
    columnsFor('export')
      .map(([, column]) => [column.heading ?? column.name, column.export(nobody)] as const)
      .filter(([, cell]) => cell),
  );
  expect(line).toEqual({
    'First name': 'Oda',
    Phones: '+15645550101 x12',
    Roles: 'buyer',
    Stage: 'New',
    Tags: 'lake; dog',
    'Wants: bedrooms': '3',
    'Wants: areas': 'Saltmarsh; Quillhaven',
    Birthday: '--04-01',
    'OK to text': 'yes',
    'OK to email': 'no',
    'Added on': '2026-11-30',
  });
});

test('every field of a message has its value', () => {
  const values = mergeFields({
    firstName: 'Oda',
    firstNames: 'Oda and Jago',
    lastName: 'B',
    town: null,
    agent: null,
    brokerage: 'T',
  });
  expect(Object.keys(values).sort()).toEqual([...Object.keys(MERGE_FIELDS), 'team'].sort());
});
