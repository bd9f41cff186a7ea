import fc from 'fast-check';
import { parsePhoneNumberFromString } from 'libphonenumber-js';
import { cleanEmail, cleanName, cleanPhone, showPhone, zoneOfPostalCode } from '.';

test.each([
  ['ODA BRANDVOLD', 'Oda Brandvold'],
  ['oda brandvold', 'Oda Brandvold'],
  ['JAN VAN DER BERG', 'Jan van der Berg'],
  ['van der berg', 'van der Berg'],
  ["o'neill-marsh", "O'Neill-Marsh"],
  ['MCALLISTER', 'McAllister'],
  ['DiMarco', 'DiMarco'],
  ['  Mei-Lin \u200b  Sorensen ', 'Mei-Lin Sorensen'],
  ['李 明', '李 明'],
  ['J', 'J'],
  ['ÉLODIE ÅBERG', 'Élodie Åberg'],
])('a name typed as “%s” reads “%s”', (typed, name) => expect(cleanName(typed)).toBe(name));

test('cleaning a name twice is cleaning it once, and loses no letter', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (typed) => {
      const once = cleanName(typed);
      expect(cleanName(once)).toBe(once);
      const letters = (text: string) =>
        text
          .normalize('NFKD')
          .toLowerCase()
          .replace(/[^a-z]/g, '');
      expect(letters(once)).toBe(letters(typed));
    }),
  );
});

test('an email address is trimmed and folded; what is none is null', () => {
  expect(cleanEmail(' mailto:Oda@Brandvold.Example ')).toBe('oda@brandvold.example');
  expect(cleanEmail('<oda@brandvold.example>')).toBe('oda@brandvold.example');
  for (const broken of [
    'oda',
    'oda@',
    '@brandvold.example',
    'oda@brandvold',
    'oda brandvold@x.example',
    'a@b..example',
    'a,b@x.example',
    `${'a'.repeat(250)}@x.example`,
    'oda@x.example\r\nBcc: all@x.example',
  ])
    expect([broken, cleanEmail(broken)]).toEqual([broken, null]);
});

test.each(['(564) 555-0123', '564.555.0123', '564 555 0123', '+1 564-555-0123', '1-564-555-0123', 'tel:+15645550123'])(
  'the phone %s is +15645550123',
  (typed) => expect(cleanPhone(typed)).toBe('+15645550123'),
);

test('what is no phone is null: forty digits, words, too few', () => {
  for (const broken of ['5'.repeat(40), 'call me', '12', '', '555-0123x'])
    expect([broken, cleanPhone(broken)]).toEqual([broken, null]);
  expect(showPhone('+15645550123')).toBe('(564) 555-0123');
});

test('a number of North America in full is taken as it is, as the library would', () => {
  const digits = fc.integer({ min: 0, max: 9_999_999_999 }).map((n) => String(n).padStart(10, '0'));
  fc.assert(
    fc.property(digits, (number) => {
      const parsed = parsePhoneNumberFromString(`+1${number}`, { extract: false });
      expect(cleanPhone(`+1${number}`)).toBe(parsed?.isPossible() ? parsed.number : null);
    }),
    { numRuns: 2_000 },
  );
});

test('a ZIP code tells the zone, and nothing is guessed where it does not', () => {
  expect(zoneOfPostalCode('98741')).toBe('America/Los_Angeles');
  expect(zoneOfPostalCode('10001-1234')).toBe('America/New_York');
  expect(zoneOfPostalCode('85001')).toBe('America/Phoenix');
  for (const none of [null, '', '98', 'SW1A 1AA', '00000']) expect(zoneOfPostalCode(none)).toBeNull();
});

test('a phone is shown as people read it: at home in groups, abroad its country apart, what is none as it is', () => {
  expect(['+15645550123', '+4722123456', '+442079460000', '+35315550100', 'x12', '+12'].map(showPhone)).toEqual([
    '(564) 555-0123',
    '+47 22123456',
    '+44 2079460000',
    '+353 15550100',
    'x12',
    '+12',
  ]);
});

test('shown, a number of North America is the same as the library shows it, and is read back as itself', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2_002_000_000, max: 9_999_999_999 }), (n) => {
      const parsed = parsePhoneNumberFromString(`+1${n}`);
      if (parsed?.isValid())
        expect([showPhone(parsed.number), cleanPhone(showPhone(parsed.number))]).toEqual([
          parsed.formatNational(),
          parsed.number,
        ]);
    }),
    { numRuns: 500 },
  );
});
