import { concerns, type User, type Role } from '.';

const person = (role: Role, more: Partial<User> = {}): User => ({
  id: '7',
  accountId: '1',
  officeId: '3',
  role,
  firstName: 'Asta',
  lastName: 'Lund',
  email: 'a@urraca.example',
  phone: null,
  timeZone: 'America/Los_Angeles',
  dayGoal: 10,
  ...more,
});
const of = (ownerId: string, officeId: string | null) => ({
  accountId: '1',
  topic: 'contact' as const,
  contactId: '5',
  ownerId,
  officeId,
});

test.each<[string, User, boolean[]]>([
  ['an owner', person('owner'), [true, true, true]],
  ['an agent', person('agent'), [true, false, false]],
  ['an agent who shares a roster’s leads', person('agent', { sharedRosters: ['2'] }), [true, true, true]],
  ['a caller of the office', person('caller'), [true, true, false]],
  ['a caller without an office', person('caller', { officeId: null }), [true, true, true]],
  ['a lender', person('lender'), [false, false, false]],
])('%s hears of whom they see', (_, who, heard) => {
  expect([of('7', '3'), of('8', '3'), of('9', '4')].map((event) => concerns(who, event))).toEqual(heard);
  expect(concerns(who, { ...of('7', '3'), accountId: '2' })).toBe(false);
  expect(concerns(who, { accountId: '1', topic: 'clock', ownerId: null })).toBe(true);
});
