/**
 * Crafted input, drawn from a seed: what somebody sends who means harm, or whose program is broken. Pure; the fuzz of the readers and the
 * drill against real processes draw from here.
 */
import fc from 'fast-check';
import { cell, ods, row, xlsx } from './crafted-files';

const PIECES = [
  ...[
    'a',
    'A',
    ' ',
    '\n',
    '\r\n',
    '\t',
    '.',
    ',',
    ';',
    ':',
    '|',
    '-',
    '@',
    '<',
    '>',
    '(',
    ')',
    '[',
    ']',
    '{',
    '}',
    '"',
    '\\',
    '*',
    '+',
    '?',
    '$',
    '%',
    '#',
    '&',
    '=',
    '/',
  ],
  ...[
    '{{',
    '}}',
    '{%',
    '{a|b}',
    '<b>',
    '</b>',
    '<td>',
    '<table>',
    '<style>',
    'Name:',
    'Phone: ',
    'From: ',
    'Subject: ',
    'Ab ',
    '5 ',
    '$5',
    'stop ',
    'do not ',
    'BEGIN:VCARD\n',
    '\u0000',
    '\ud800',
    '\u200b',
    'é',
    '家',
  ],
];
/** A few pieces, each again and again. */
export const text = fc
  .array(fc.tuple(fc.constantFrom(...PIECES), fc.integer({ min: 1, max: 4_000 })), { minLength: 1, maxLength: 6 })
  .map((parts) =>
    parts
      .map(([piece, times]) => piece.repeat(times))
      .join('')
      .slice(0, 60_000),
  );

const line = text.map((drawn) => drawn.replace(/[\r\n]/g, ' ').slice(0, 2_000));
const short = text.map((drawn) => drawn.slice(0, 300));
const TYPES = [
  'text/plain',
  'text/html',
  'application/json',
  'multipart/mixed; boundary=x',
  'multipart/alternative; boundary="a*b"',
];
const ENCODINGS = ['7bit', '8bit', 'base64', 'quoted-printable', 'nonsense'];

/** A mail as it goes over SMTP; its Message-ID says its number. */
export const mailOf = (n: number) =>
  fc
    .record({
      name: line,
      subject: short,
      body: text,
      type: fc.constantFrom(...TYPES),
      charset: fc.constantFrom('utf-8', 'iso-8859-1', 'utf-16', 'x-none'),
      encoding: fc.constantFrom(...ENCODINGS),
      depth: fc.constantFrom(0, 0, 1, 40, 3_000),
      closed: fc.boolean(),
    })
    .map(({ name, subject, body, type, charset, encoding, depth, closed }) => {
      const nested = type === 'text/html' ? `${'<div>'.repeat(depth)}${body}${closed ? '</div>'.repeat(depth) : ''}` : body;
      const parts = type.startsWith('multipart')
        ? `--x\r\nContent-Type: multipart/mixed; boundary=x\r\n\r\n`.repeat(Math.min(depth, 200)) +
          `--x\r\n\r\n${nested}\r\n--x--`
        : nested;
      const head = [
        `From: "${name}" <o${n}@b.example>`,
        `Message-ID: <crafted-${n}@b.example>`,
        `Subject: ${subject.replace(/[\r\n]/g, ' ')}`,
        `Content-Type: ${type}; charset=${charset}`,
        `Content-Transfer-Encoding: ${encoding}`,
      ];
      return Buffer.from(`${head.join('\r\n')}\r\n\r\n${parts}\r\n`);
    });

/** What a program sends to a door. */
export const body = fc
  .record({
    label: text,
    value: text,
    depth: fc.constantFrom(1, 1, 30, 20_000),
    contentType: fc.constantFrom(
      'application/json',
      'application/x-www-form-urlencoded',
      'multipart/form-data; boundary=x',
      'text/csv',
    ),
  })
  .map(({ label, value, depth, contentType }) => ({
    contentType,
    text: contentType.includes('json')
      ? `${'['.repeat(depth - 1)}${JSON.stringify({ [label]: value, email: value, phone: '(564) 555-0123', message: label })}${']'.repeat(depth - 1)}`
      : `${encodeURIComponent(label.slice(0, 9_000).replace(/[\ud800-\udfff]/g, ''))}=%ff%00${value.slice(0, 9_000)}&phone=5645550123`,
  }));

/** A file to import, with its name. */
export const file = fc
  .record({
    kind: fc.constantFrom('csv', 'vcf', 'ods', 'xlsx', 'bin'),
    one: text,
    two: text,
    times: fc.constantFrom(1, 20, 3_000, 1_000_000),
    claim: fc.constantFrom(null, 1, 2_000_000_000),
  })
  .map(({ kind, one, two, times, claim }) => {
    const few = Math.min(times, 3_000);
    const escaped = one.replace(/[<>&\u0000-\u0008\ud800-\udfff]/g, '.').slice(0, 3_000);
    const bytes = {
      csv: () => Buffer.from(`Name,Email\n${`${one.slice(0, 200)},${two.slice(0, 200)}\n`.repeat(few)}`),
      vcf: () => Buffer.from(`BEGIN:VCARD\nVERSION:3.0\nFN:${one}\n${`NOTE;X=${two.slice(0, 200)}\n `.repeat(few)}\nEND:VCARD\n`),
      ods: () => ods(row(cell('First name') + cell('Email')) + row(cell(escaped, times), times).repeat(10)),
      xlsx: () =>
        xlsx(
          `<worksheet><sheetData>${`<row r="${times}"><c r="XFD${times}" t="str"><v>${escaped}</v></c></row>`.repeat(Math.min(few, 200))}</sheetData></worksheet>`,
          claim === null ? {} : { 'xl/worksheets/sheet1.xml': claim },
        ),
      bin: () => Buffer.from(one, 'utf16le'),
    }[kind]();
    return { name: `crafted.${kind}`, bytes };
  });

/** A template as it is kept. */
export const template = fc
  .record({ channel: fc.constantFrom('text', 'email', 'letter'), name: short, words: text, plain: text })
  .map(({ channel, name, words, plain }) => ({
    channel,
    name: name.slice(0, 70),
    words: { subject: name.slice(0, 90), text: words.slice(0, 20_000), plain: plain.slice(0, 5_000) },
  }));

/** A plan of a campaign: a real one with steps put into each other, or any value at all. */
export const plan = (real: object) =>
  fc.oneof(
    fc.json({ maxDepth: 8 }).map((drawn) => ({ plan: JSON.parse(drawn) as unknown })),
    fc.tuple(fc.constantFrom(1, 5, 60, 900), text).map(([depth, words]) => {
      let steps: unknown[] = [
        { id: 1, when: { after: 'start', minutes: 0 }, do: 'touch', channel: 'text', words: { text: words, plain: words } },
      ];
      for (let n = 0; n < depth; n += 1)
        steps = [
          { id: n + 2, when: { after: 'start', minutes: 0 }, do: 'branch', ask: { about: 'answered' }, yes: steps, no: [] },
        ];
      return { plan: { ...real, steps } };
    }),
  );

const LISTS = [
  '/contacts',
  '/inquiries',
  '/lead-mails',
  '/templates',
  '/broadcasts',
  '/imports',
  '/changes',
  '/answers',
  '/segments',
];
/** A question to a list, with a page marker, words, a condition and numbers that no page of ours would send. */
export const question = fc
  .record({
    list: fc.constantFrom(...LISTS),
    key: fc.constantFrom('cursor', 'q', 'where', 'limit', 'segment', 'days', 'from'),
    value: text,
    json: fc.json({ maxDepth: 40 }),
    way: fc.integer({ min: 0, max: 3 }),
  })
  .map(({ list, key, value, json, way }) => {
    const given = [value.slice(0, 3_000), json.slice(0, 3_000), Buffer.from(json).toString('base64url').slice(0, 4_000), '1e309'][
      way
    ]!;
    return `${list}?${key}=${encodeURIComponent(given.replace(/[\ud800-\udfff]/g, ''))}`;
  });

/** An address that anybody may open. */
export const address = fc
  .record({
    door: fc.constantFrom('/p/', '/u/', '/l/', '/o/', '/in/', '/api/', '/api/v1/', '/p/homes?page=', '/login?next='),
    rest: short,
    raw: fc.constantFrom('%', '%ff', '%00', '%E0%A4%A', '..%2f', ''),
  })
  .map(({ door, rest, raw }) => `${door}${encodeURIComponent(rest.slice(0, 200).replace(/[\ud800-\udfff]/g, ''))}${raw}`);

/** One of them. @param seed the same seed draws the same */
export const drawn = <T>(arbitrary: fc.Arbitrary<T>, seed: number): T => fc.sample(arbitrary, { seed, numRuns: 1 })[0]!;
