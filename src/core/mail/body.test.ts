/** Bodies of any shape read as inquiries, with and without a mapping. */
import { readInquiry } from '../capture/schemas';
import { inquiryOfBody, placesOf, type Mapping } from './body';

const door = { source: 'Harbour Homes site', defaults: {} };
const read = (body: unknown, mapping: Mapping = {}) => readInquiry(inquiryOfBody(body, mapping, door));

test('takes the shape that the API promises as it is', () => {
  const body = { person: { first_name: 'Odo', emails: ['odo@fen.example'] }, strange: 1 };
  expect(inquiryOfBody(body, {}, door)).toBe(body);
});

test('reads a flat form by its labels, in other languages too', () => {
  expect(
    read({
      Vorname: 'Jelka',
      Nachname: 'Moorland',
      'E-Mail': 'jelka@fen.example',
      Telefonnummer: '(206) 555-0142',
      Nachricht: 'Ist das Haus noch frei?',
    }),
  ).toMatchObject({
    firstName: 'Jelka',
    lastName: 'Moorland',
    emails: ['jelka@fen.example'],
    phones: ['+12065550142'],
    message: 'Ist das Haus noch frei?',
    source: 'Harbour Homes site',
  });
});

test('reads groups, and lists of questions with their answers', () => {
  const body = {
    event: 'submitted',
    data: {
      answers: [
        { label: 'Your name', value: 'Wren Ashgrove' },
        { label: 'Phone number', value: '206 555 0143' },
        { label: 'Your question', value: 'May I see it on Sunday?' },
        { label: 'City', value: 'Saltmarsh' },
      ],
    },
  };
  expect(read(body)).toMatchObject({
    firstName: 'Wren',
    lastName: 'Ashgrove',
    phones: ['+12065550143'],
    message: 'May I see it on Sunday?',
    city: 'Saltmarsh',
  });
  expect(placesOf(body)).toContainEqual({ place: 'data.answers.Phone number', value: '206 555 0143' });
});

test('a mapping says where a field stands, or what it always is, over what was read', () => {
  const body = { x1: 'Ashgrove, Wren', x2: '206-555-0144', x3: 'I want to sell', x4: ['$450k', 'ok'], email: 'wren@fen.example' };
  const mapping: Mapping = {
    name: { place: 'x1' },
    phone: { place: 'x2' },
    role: { place: 'x3' },
    price_max: { place: 'x4.0' },
    may_text: { place: 'x4.1' },
    source: { words: 'Spring fair' },
    tags: { words: 'fair, spring' },
    city: { place: 'nowhere' },
  };
  expect(read(body, mapping)).toMatchObject({
    firstName: 'Wren',
    lastName: 'Ashgrove',
    emails: ['wren@fen.example'],
    phones: ['+12065550144'],
    roles: ['seller'],
    wants: { price_max: 450_000 },
    permissions: { text: true },
    source: 'Spring fair',
    tags: ['fair', 'spring'],
    city: null,
  });
});

test('who sells in German does not buy by that word', () => {
  const sells = read({ wunsch: 'Verkaufen', mail: 'a@fen.example' }, { role: { place: 'wunsch' } });
  expect(sells.roles).toEqual(['seller']);
});

test.each([null, [], 'words', 7, { a: { b: {} } }, [[[[]]]]])('says what is missing for %j and never fails otherwise', (body) => {
  expect(() => read(body)).toThrow(expect.objectContaining({ code: 'input_invalid' }) as Error);
});

test('a body as deep and as wide as one likes is read to its bounds', () => {
  let deep: unknown = 'x';
  for (let n = 0; n < 5_000; n += 1) deep = { deep };
  expect(placesOf({ deep })).toEqual([]);
  expect(placesOf(Object.fromEntries(Array.from({ length: 9_000 }, (_, n) => [`k${n}`, n])))).toHaveLength(500);
});
