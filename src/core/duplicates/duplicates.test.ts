/** Which side a merged contact keeps, and why two may be one. */
import { chosenSide, MERGE_FIELDS, reasonsSentence } from '.';

type Side = Parameters<typeof chosenSide>[1];
const side = (more: Partial<Side> = {}): Side =>
  ({
    first_name: '',
    last_name: '',
    company: null,
    place: { street: null, city: null, postal_code: null },
    stage: { key: 'new', name: 'New' },
    horizon: null,
    owner: null,
    source: null,
    ...more,
  }) as Side;
const full = side({
  first_name: 'Ines',
  company: 'Ropeworks',
  place: { street: '12 Heron Lane', city: 'Saltmarsh', postal_code: null } as Side['place'],
  stage: { key: 'client', name: 'Client' },
  horizon: 'hot',
  owner: { id: '1', name: 'Odo' },
  source: 'Sign',
});

test('gaps of the one kept are filled from the other, and only gaps', () => {
  for (const field of MERGE_FIELDS) {
    expect([field, chosenSide(field, side(), full, {})]).toEqual([field, field === 'stage' ? 'kept' : 'gone']);
    expect([field, chosenSide(field, full, side(), {})]).toEqual([field, 'kept']);
    expect([field, chosenSide(field, full, full, {})]).toEqual([field, 'kept']);
    expect([field, chosenSide(field, side(), side(), {})]).toEqual([field, 'kept']);
  }
});
test('what somebody chose goes before', () => {
  expect(chosenSide('stage', side(), full, { stage: 'gone' })).toBe('gone');
  expect(chosenSide('name', side(), full, { name: 'kept' })).toBe('kept');
});
test('reasons are told the surest first, however they were found', () => {
  expect(reasonsSentence(['same_town', 'same_email', 'like_name'])).toBe('the same email, similar names and the same city');
  expect(reasonsSentence([])).toBe('');
});
