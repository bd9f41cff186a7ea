import { quietDoor, withDefaults } from './door';
import { readInquiry } from './inquiry';

test.each([
  [{ arrivals: 40, usualGapHours: 5, hoursSince: 72 }, 'No leads for 3 days; usually one comes in within 5 hours.'],
  [{ arrivals: 40, usualGapHours: 1, hoursSince: 30 }, 'No leads for 30 hours; usually one comes in within an hour.'],
  [{ arrivals: 40, usualGapHours: 0.2, hoursSince: 20 }, null],
  [{ arrivals: 40, usualGapHours: 20, hoursSince: 50 }, null],
  [{ arrivals: 7, usualGapHours: 1, hoursSince: 900 }, null],
  [{ arrivals: 0, usualGapHours: null, hoursSince: null }, null],
])('a door is quiet by its own habit: %j', (use, sentence) => expect(quietDoor(use)).toBe(sentence));

test('a door gives roles and source where nothing is said, and its tags beside those that are', () => {
  const inquiry = readInquiry({ person: { emails: ['oda@x.example'] }, tags: ['choir'] });
  expect(withDefaults(inquiry, 'Portal', { roles: ['seller'], tags: ['portal', 'choir'], on_the_phone: true })).toMatchObject({
    source: 'Portal',
    roles: ['seller'],
    tags: ['choir', 'portal'],
    onThePhone: true,
  });
  const own = readInquiry({ person: { emails: ['oda@x.example'] }, roles: ['renter'], source: 'Own' });
  expect(withDefaults(own, 'Portal', { roles: ['seller'] })).toMatchObject({
    source: 'Own',
    roles: ['renter'],
    onThePhone: false,
  });
});
