/** Rows of a listing service read; criteria in words, as words of an address, and answered. */
import { criteriaOfWords, criteriaWords, meets, readListing, priceWords, roomsWords, wordsOfCriteria, type Listing } from '.';

const row = (cells: Record<string, string>) => new Map(Object.entries(cells).map(([name, value]) => [name.toLowerCase(), value]));
const FULL = {
  ListingId: 'LC-1',
  StandardStatus: 'Active',
  ListPrice: '$332,200',
  UnparsedAddress: '5 Driftwood Way, Quillhaven, WA 98732',
  City: 'Quillhaven',
  PostalCode: '98732',
  SubdivisionName: 'Heron Flats',
  BedroomsTotal: '3',
  BathroomsTotalInteger: '2',
  LivingArea: '1540',
  PropertyType: 'Residential',
  PropertySubType: 'Single Family Residence',
  Latitude: '47.01',
  Longitude: '-124.16',
  OpenHouseStartTime: '2026-11-29T13:00:00-08:00',
  OpenHouseEndTime: '2026-11-29T15:00:00-08:00',
};
const home = (more: Record<string, string> = {}): Listing => readListing(row({ ...FULL, ...more })) as Listing;
const NOW = new Date('2026-11-23T18:00:00Z');

test('a row by the names of the dictionary', () => {
  expect(home()).toMatchObject({
    number: 'LC-1',
    status: 'active',
    price: 332_200,
    area: 'Heron Flats',
    beds: 3,
    livingArea: 1_540,
    openFrom: new Date('2026-11-29T21:00:00Z'),
  });
  expect(home({ StandardStatus: 'Active Under Contract' }).status).toBe('under_contract');
  expect(home({ StandardStatus: 'ComingSoon' }).status).toBe('coming_soon');
});

test.each([
  [{ ListingId: ' ' }, 'has no ListingId'],
  [{ StandardStatus: 'Dreaming' }, 'has the status “Dreaming”, which is none of RESO’s'],
  [{ StandardStatus: '' }, 'has no StandardStatus'],
  [{ UnparsedAddress: '' }, 'has no UnparsedAddress'],
])('a row that is none says why: %j', (cells, why) => {
  expect(readListing(row({ ...FULL, ...cells }))).toBe(why);
});

test('what makes no sense is left out, not guessed: a place off the globe, a price in words, a time without its zone, an end before its beginning', () => {
  expect(home({ Latitude: '470', ListPrice: 'ask', OpenHouseStartTime: '2026-11-29 13:00', BedroomsTotal: '-3' })).toMatchObject({
    latitude: null,
    price: null,
    openFrom: null,
    beds: null,
  });
  expect(home({ OpenHouseEndTime: '2026-11-29T12:00:00-08:00' }).openTo).toBeNull();
});

test('words for a price and for rooms', () => {
  expect(priceWords({ price: 1_240, type: 'Residential Lease' })).toBe('$1,240 a month');
  expect(priceWords({ price: null, type: null })).toBe('price on request');
  expect(roomsWords({ beds: 1, baths: 2, livingArea: null })).toBe('1 bedroom · 2 baths');
  expect(roomsWords({ beds: 0, baths: null, livingArea: 410 })).toBe('studio · 410 sq ft');
});

const SQUARE: [number, number][] = [
  [-124.2, 47],
  [-124.1, 47],
  [-124.1, 47.1],
  [-124.2, 47.1],
];
test.each([
  [{ areas: ['heron flats'] }, true],
  [{ areas: ['98732', 'Saltmarsh'] }, true],
  [{ areas: ['Saltmarsh'] }, false],
  [{ within: SQUARE }, true],
  [{ within: SQUARE.map(([x, y]) => [x + 1, y] as [number, number]) }, false],
  [{ price_min: 332_200, price_max: 332_200 }, true],
  [{ price_max: 332_199 }, false],
  [{ beds_min: 4 }, false],
  [{ kinds: ['single family residence'] }, true],
  [{ lease: true }, false],
  [{ open_house: true }, true],
])('criteria %j: %s', (criteria, isMatch) => {
  expect(meets(home(), criteria, NOW)).toBe(isMatch);
});
test('an open house that is over is none to come', () => {
  expect(meets(home(), { open_house: true }, new Date('2026-11-29T23:00:01Z'))).toBe(false);
});

test('criteria go into the words of an address and come back; what cannot be read is not asked for', () => {
  const criteria = {
    areas: ['Eelgrass', 'Tarn Hollow'],
    within: SQUARE,
    price_min: 1,
    beds_min: 2,
    kinds: ['Cityhouse'],
    lease: false,
    open_house: true,
  };
  expect(criteriaOfWords(wordsOfCriteria(criteria))).toEqual(criteria);
  expect(criteriaOfWords({ price_min: 'cheap', beds_min: '-1', within: '1,2 3,4', lease: 'maybe', areas: ' | ' })).toEqual({});
  expect(criteriaWords(criteria)).toBe(
    'Cityhouse for sale in Eelgrass or Tarn Hollow, inside your area, from $1, 2 bedrooms or more, with an upcoming open house',
  );
});
