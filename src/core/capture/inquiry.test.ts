import { AppError } from '../shared';
import { askOf, readInquiry, storable, storableJson } from './schemas';

const errors = (body: unknown): string[] => {
  try {
    readInquiry(body);
    return [];
  } catch (error) {
    expect(error).toBeInstanceOf(AppError);
    expect((error as AppError).code).toBe('input_invalid');
    return (error as AppError).facts.fields!.map(({ field }) => field);
  }
};

test('each error is named by its field, all at once', () => {
  expect(errors({})).toEqual(['person']);
  expect(errors({ person: { emails: ['oda'], phones: ['5'.repeat(40), '564 555 0123'] } })).toEqual([
    'person.emails.0',
    'person.phones.0',
  ]);
  expect(errors({ person: { first_name: 'Oda' } })).toEqual(['person']);
  expect(errors({ person: { emails: [' '], phones: [] } })).toEqual(['person']);
  expect(errors({ person: { emails: ['oda@x.example'], time_zone: 'Mars/Olympus' } })).toEqual(['person.time_zone']);
  expect(errors({ person: { emails: ['oda@x.example'] }, roles: ['pirate'], on_the_phone: 'yes', tags: 'choir' })).toEqual([
    'roles.0',
    'tags',
    'on_the_phone',
  ]);
  expect(errors('<html>')).toEqual(['(body)']);
  expect(errors([])).toEqual(['(body)']);
});

test('one way to reach the person is enough; the rest may be missing, null or unknown to us', () => {
  const read = readInquiry({
    person: { first_name: null, phones: ['564 555 0123', '(564) 555-0123'] },
    place: null,
    listing: null,
    wants: null,
    permissions: null,
    campaign_of_theirs: 7,
  });
  expect(read).toMatchObject({
    firstName: '',
    phones: ['+15645550123'],
    emails: [],
    roles: [],
    onThePhone: false,
    permissions: {},
  });
});

test('what PostgreSQL cannot store is taken out, and nothing else', () => {
  expect(storableJson({ 'a\u0000': ['\ud83c', 'a\\u0000', 3, null], fine: '🏡' })).toBe(
    '{"a\ufffd":["\ufffd","a\\\\u0000",3,null],"fine":"🏡"}',
  );
  expect(storable('a\u0000b\ud83c c🏡')).toBe('ab\ufffd c🏡');
});

test('what they asked, in one line', () => {
  const ask = (more: object) => askOf({ message: null, listing: {}, wants: {}, city: null, ...more });
  expect(ask({ message: 'Call me' })).toBe('Call me');
  expect(ask({ listing: { address: '14 Heron Lane' } })).toBe('Asked about 14 Heron Lane');
  expect(ask({ wants: { bedrooms: 3, price_max: 480_000 }, city: 'Saltmarsh' })).toBe(
    'Looking for 3 bedrooms in Saltmarsh up to $480,000',
  );
  expect(ask({ city: 'Saltmarsh' })).toBe('Looking for a home in Saltmarsh');
  expect(ask({})).toBe('Asked to be contacted');
});
