/** Reading contact files: the cases that break importers, each with what a careful person would make of it. */
import fc from 'fast-check';
import {
  CardReader,
  CsvReader,
  findDelimiter,
  layoutOf,
  meaningOf,
  previewOf,
  readCard,
  readCsv,
  readRow,
  sniff,
  type ImportedPerson,
} from './index';
import { readEmails, readPhones } from './addresses';
import { readDay } from '../format';
import { readName } from './names';
import { roleWords, stageWord, yesOrNo } from './words';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

function read(text: string): ImportedPerson[] {
  const records = readCsv(text, findDelimiter(text));
  const { headingAt, columns } = layoutOf(records.map(({ cells }) => cells));
  return records
    .slice(headingAt === null ? 0 : headingAt + 1)
    .filter(({ cells }) => cells.some((cell) => cell.trim()))
    .map((record, at) => readRow(record, at + 1, { columns, thisYear: 2026 }));
}
const cards = (text: string): ImportedPerson[] => {
  const reader = new CardReader();
  return [...reader.feed(text), ...reader.end()].map((card, at) => readCard(card, at + 1, 2026));
};

describe('delimited text', () => {
  test('what is written by the rules is read back, however it is cut into pieces', () => {
    const cell = fc.string({ maxLength: 12 }).map((text) => text.replace(/\r/g, ''));
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 2, maxLength: 4 }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 7 }),
        (rows, piece) => {
          const text = rows.map((row) => row.map((value) => `"${value.replaceAll('"', '""')}"`).join(',')).join('\r\n');
          const reader = new CsvReader(',');
          const records = [];
          for (let at = 0; at < text.length; at += piece) records.push(...reader.feed(text.slice(at, at + piece)));
          records.push(...reader.end());
          expect(records.map(({ cells }) => cells)).toEqual(rows);
        },
      ),
    );
  });
  test('a quotation mark that’s never closed costs its own line only', () => {
    const people = read(
      'First,Last,Email\nAnn,"Quote,ann@x.example\nBob,Bell,bob@x.example\nCy,"Nick ""Big"" Low",cy@x.example\n',
    );
    expect(people.map(({ emails }) => emails[0])).toEqual(['ann@x.example', 'bob@x.example', 'cy@x.example']);
    expect(people.map(({ doubts }) => doubts[0]?.reason)).toEqual(['open-quote', undefined, undefined]);
  });
  test('line breaks inside quotes and three kinds of line end', () => {
    expect(readCsv('a,b\r"1\r\n2",x\ny,z', ',').map(({ line, cells }) => [line, ...cells])).toEqual([
      [1, 'a', 'b'],
      [2, '1\n2', 'x'],
      [4, 'y', 'z'],
    ]);
  });
  test.each([
    ['a;b;c\n1,5;2;3\n', ';'],
    ['a\tb\n1\t2\n', '\t'],
    ['a|b|c\n1|2|3\n', '|'],
    ['sep=;\na;b\n', ';'],
    ['only one column\nof text\n', ','],
  ])('the delimiter of %j', (text, delimiter) => expect(findDelimiter(text)).toBe(delimiter));
});

describe('what a file is', () => {
  test.each([
    [bytes(''), 'empty'],
    [bytes('\n \n'), 'empty'],
    [bytes('BEGIN:VCARD\nEND:VCARD'), 'vcf'],
    [bytes('%PDF-1.4'), 'other'],
    [bytes('<html><table>'), 'other'],
    [new Uint8Array([0x50, 0x4b, 3, 4]), 'zip'],
    [bytes('First,Last\n'), 'csv'],
  ])('%#', (head, kind) => expect(sniff(head, true).kind).toBe(kind));
  test('one stray byte spoils its row, several are another encoding', () => {
    expect(sniff(new Uint8Array([...bytes('First,Last\nAndr'), 0xe9]), true).encoding).toBe('utf-8');
    expect(sniff(new Uint8Array([...bytes('Vor,Nach\nJ'), 0xf6, 0x72, 0x67, 0x2c, 0xfc, 0x0a]), true).encoding).toBe(
      'windows-1252',
    );
  });
});

describe('headings by their meaning', () => {
  test.each([
    ['E-mail Address', 'email'],
    ['Correo electrónico', 'email'],
    ['Mail(s)', 'email'],
    ['Phone number(s)', 'phone'],
    ['Mobile #', 'phone'],
    ['Teléfono móvil', 'phone'],
    ['FirstName', 'first'],
    ['Vorname', 'first'],
    ['Apellidos', 'last'],
    ['Spouse cell', 'partner_phone'],
    ['Wife', 'partner_name'],
    ['Partner last name', 'partner_last'],
    ['Address 1 - City', 'city'],
    ['Phone 2 - Kind', 'ignore'],
    ['PLZ', 'postal_code'],
    ['D.O.B.', 'custom'],
    ['DOB', 'birthday'],
    ['Do not call', 'forbid_call'],
    ['OK to text?', 'permit_text'],
    ['Email opt-out', 'forbid_email'],
    ['OK to write letters?', 'permit_letter'],
    ['Do not contact', 'forbid_all'],
    ['Mailing Zip', 'postal_code'],
    ['Property Address', 'property'],
    ['Favourite boat', 'custom'],
  ])('%s', (heading, target) => expect(meaningOf(heading)).toBe(target));
});

describe('cells', () => {
  test.each([
    ['3/4/71', '1971-03-04'],
    ['12 April', '--04-12'],
    ['Apr 12th, 1985', '1985-04-12'],
    ['1604-04-12', '--04-12'],
    ['31.12.1999', '1999-12-31'],
    ['2/29', '--02-29'],
    ['29 Feb 1900', null],
    ['27344', '1974-11-11'],
    ['circa 1960', null],
    ['1985-04-12T00:00:00Z', '1985-04-12'],
  ])('the day %s', (text, day) => expect(readDay(text, 'month-first', 2026)).toBe(day));
  test('two digits of a year lie in the last hundred years', () => {
    expect(readDay('1/1/26', 'month-first', 2026)).toBe('2026-01-01');
    expect(readDay('1/1/27', 'month-first', 2026)).toBe('1927-01-01');
  });
  test.each([
    ['h 564-555-0104, w 564-555-0105 x12', ['+15645550104', '+15645550105']],
    ['564/555-0132', ['+15645550132']],
    ['Home: (564) 555-0101; Mobile: (564) 555-0102', ['+15645550101', '+15645550102']],
    ['564-JKL-0140', ['+15645550140']],
    ['="5645550121"', ['+15645550121']],
    ['n/a', []],
  ])('the phones of %s', (cell, numbers) => {
    const { found, unread } = readPhones(cell);
    expect(found.map(({ number }) => number)).toEqual(numbers);
    expect(unread).toEqual([]);
  });
  test('what is no phone or e-mail is named, not lost', () => {
    expect(readPhones('5.64555E+09').unread).toEqual(['5.64555E+09']);
    expect(readEmails('oda@x.example; see notes')).toEqual({ found: ['oda@x.example'], unread: ['see notes'] });
    expect(readEmails('Oda B <ODA@x.example>').found).toEqual(['oda@x.example']);
  });
  test.each([
    ['Osierby, Anselm', 'Anselm', 'Osierby', null],
    ['Lorcan & Ursula Cinderford', 'Lorcan', 'Cinderford', 'Ursula Cinderford'],
    ['Smith, Bob and Carol', 'Bob', 'Smith', 'Carol Smith'],
    ['Ann Ace and Bob Bee', 'Ann', 'Ace', 'Bob Bee'],
    ['Mr. & Mrs. John Low', 'John', 'Low', null],
    ['Dr Ada van der Berg', 'Ada', 'van der Berg', null],
    ['John Q. Smithers Jr.', 'John Q.', 'Smithers', null],
  ])('the name %s', (cell, first, last, partner) => {
    const name = readName(cell);
    expect([name.first, name.last, name.partner && `${name.partner.first} ${name.partner.last}`]).toEqual([first, last, partner]);
  });
  test('roles, stages, yes and no', () => {
    expect(roleWords('Past client, Buyer & Tenant; Vendor (plumber)')).toEqual({
      roles: ['buyer', 'renter', 'vendor'],
      stage: 'Past client',
      rest: ['plumber'],
    });
    expect(stageWord('closed')).toBe('Past client');
    expect(['Yes', 'x', '0', '', 'maybe'].map(yesOrNo)).toEqual([true, true, false, null, 'unclear']);
  });
});

describe('whole tables', () => {
  test('“do not call: no” is not a yes', () => {
    const [no, yes] = read('Name,Phone,Do not call\nAnn Ace,564-555-0101,no\nBob Bee,564-555-0102,yes\n');
    expect([no!.permissions, yes!.permissions]).toEqual([{}, { call: 'withdrawn' }]);
  });
  test('without headings every line is a person', () => {
    const people = read(
      'Ann Ace,ann@x.example,564-555-0101,"12 Heron Lane, Saltmarsh, WA 98741"\nBob Bee,bob@x.example,564-555-0102,"13 Heron Lane, Saltmarsh, WA 98741"\n',
    );
    expect(people.map(({ first, last, address }) => [first, last, address?.city])).toEqual([
      ['Ann', 'Ace', 'Saltmarsh'],
      ['Bob', 'Bee', 'Saltmarsh'],
    ]);
  });
  test('owner and second owner of a property are partners; the property is not where they live', () => {
    const [person] = read(
      'Owner 1 First Name,Owner 1 Last Name,Owner 2 First Name,Owner 2 Last Name,Property Address,Mailing Address,Mailing Zip\nAnn,Ace,Bob,Ace,12 Heron Lane,4 Sluice End,98731\n',
    );
    expect(person).toMatchObject({
      first: 'Ann',
      partner: { first: 'Bob', last: 'Ace' },
      propertyAddress: '12 Heron Lane',
      address: { street: '4 Sluice End', postalCode: '98731' },
    });
  });
  test('an office address of three people is doubted; a couple with one address is a household', () => {
    const people = read(
      'Name,Email,Street,Zip\nEve X,office@x.example,,\nMax Y,office@x.example,,\nUli Z,office@x.example,,\nAnn Ace,home@x.example,12 Heron Lane,98741\nBob Ace,home@x.example,12 Heron Lane,98741\n',
    );
    const preview = previewOf('f', { kind: 'csv' }, people);
    expect(preview.duplicates).toEqual([]);
    expect(preview.households).toEqual([{ rows: [4, 5] }]);
    expect(preview.doubtful.map(({ row, reason }) => [row, reason])).toEqual([2, 3, 5].map((row) => [row, 'shared-email']));
  });
  test('no input makes the reader fail, and no row is lost', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 6 }), { maxLength: 12 }), (rows) => {
        const text = `First,Last,Email,Phone,DOB\n${rows.map((row) => row.map((value) => `"${value.replaceAll('"', '""')}"`).join(',')).join('\n')}`;
        const there = rows.filter((row) => row.some((value) => value.trim()));
        expect(read(text).length).toBeLessThanOrEqual(Math.max(there.length, rows.length));
        previewOf('f', { kind: 'csv' }, read(text));
      }),
    );
  });
});

describe('cards', () => {
  test('2.1 with quoted-printable, base64 pictures and parameters without names', () => {
    const [person] = cards(
      'BEGIN:VCARD\r\nVERSION:2.1\r\nN:Ace;Ann;;;\r\nTEL;HOME;VOICE:(564) 555-0101\r\nTEL;WORK;FAX:564-555-0102\r\nADR;HOME;ENCODING=QUOTED-PRINTABLE:;;12 Heron Lane=0D=0AUnit 3;Saltmarsh;WA;98741;USA\r\nPHOTO;ENCODING=BASE64:\r\n /9j/4AAQ\r\n abcdef\r\n\r\nEMAIL;PREF;INTERNET:ann@x.example\r\nEND:VCARD\r\n',
    );
    expect(person).toMatchObject({
      first: 'Ann',
      last: 'Ace',
      phones: ['+15645550101'],
      fax: '+15645550102',
      emails: ['ann@x.example'],
      address: { street: '12 Heron Lane, Unit 3', city: 'Saltmarsh', postalCode: '98741' },
    });
  });
  test('folded lines, grouped properties, a day without a year, a card that is cut off', () => {
    const [first, second] = cards(
      'BEGIN:VCARD\nVERSION:3.0\nN:Ace;Ann\nitem1.EMAIL:ann@\n x.example\nBDAY;X-APPLE-OMIT-YEAR=1604:1604-04-12\nEND:VCARD\nBEGIN:VCARD\nVERSION:3.0\nN:Bee;Bob\nEMAIL:bob@x.example',
    );
    expect(first).toMatchObject({ emails: ['ann@x.example'], birthday: '--04-12', doubts: [] });
    expect(second!.doubts.map(({ reason }) => reason)).toEqual(['cut-off']);
  });
  test('any cut of the text gives the same cards', () => {
    const text = 'BEGIN:VCARD\r\nVERSION:3.0\r\nN:Ace;Ann\r\nNOTE:one\\ntwo th\r\n ree\r\nEMAIL:a@x.example\r\nEND:VCARD\r\n';
    fc.assert(
      fc.property(fc.integer({ min: 1, max: text.length - 1 }), (cut) => {
        const reader = new CardReader();
        const found = [...reader.feed(text.slice(0, cut)), ...reader.feed(text.slice(cut)), ...reader.end()];
        expect(found.map((card) => readCard(card, 1, 2026).notes)).toEqual(['one\ntwo three']);
      }),
    );
  });
});
