/** A person of a file against the contact who is here: gaps are filled, or the file wins; nothing is lost that the file says nothing of. */
import { mergedColumns, type ContactState } from '.';
import { emptyPerson, type ImportedPerson } from './person';

const here = (more: Partial<ContactState> = {}): ContactState => ({
  first_name: 'Ines',
  last_name: 'Tarn',
  company: null,
  street: null,
  city: null,
  postal_code: null,
  region: null,
  country: null,
  source: 'Sign',
  roles: ['buyer'],
  wants: { bedrooms: 3 },
  ...more,
});
const file = (more: Partial<ImportedPerson> = {}): ImportedPerson => ({ ...emptyPerson(1), ...more });
const home = { street: '12 Heron Lane', city: 'Saltmarsh', postal_code: '00412', region: 'East', country: 'XX' };

test('a file that says nothing changes nothing', () => {
  for (const how of ['fill', 'update'] as const) expect(mergedColumns(here(home), file(), how)).toEqual({});
});
test('filling writes into gaps only', () => {
  const person = file({
    first: 'Agnes',
    last: 'Tarn',
    company: 'Ropeworks',
    source: 'Fair',
    wants: { bedrooms: 4, price_max: 410_000 },
  });
  expect(mergedColumns(here(), person, 'fill')).toEqual({ company: 'Ropeworks', wants: { bedrooms: 3, price_max: 410_000 } });
  expect(mergedColumns(here({ first_name: '', last_name: '' }), person, 'fill')).toMatchObject({
    first_name: 'Agnes',
    last_name: 'Tarn',
  });
});
test('updating lets the file win where it says something', () => {
  const person = file({ first: 'Agnes', last: 'Tarn', source: 'Fair', wants: { bedrooms: 4 } });
  expect(mergedColumns(here({ company: 'Ropeworks' }), person, 'update')).toEqual({
    first_name: 'Agnes',
    source: 'Fair',
    wants: { bedrooms: 4 },
  });
});
test('a home goes as a whole: no street of one with the town of another', () => {
  const moved = file({ address: { street: '3 Quay', city: 'Petrel Point' } });
  expect(mergedColumns(here(home), moved, 'update')).toEqual({
    street: '3 Quay',
    city: 'Petrel Point',
    postal_code: null,
    region: null,
    country: null,
  });
  expect(mergedColumns(here(home), moved, 'fill')).toEqual({});
  expect(
    mergedColumns(
      here({ ...home, postal_code: null }),
      file({ address: { street: home.street, postalCode: '00412' } }),
      'update',
    ),
  ).toEqual({
    postal_code: '00412',
  });
  expect(mergedColumns(here({ ...home, city: null }), file({ address: { city: 'Saltmarsh' } }), 'fill')).toEqual({
    city: 'Saltmarsh',
  });
});
test('roles are added, never taken', () => {
  expect(mergedColumns(here(), file({ roles: ['seller'] }), 'fill')).toEqual({ roles: ['buyer', 'seller'] });
  expect(mergedColumns(here(), file({ roles: ['buyer'] }), 'update')).toEqual({});
});
