import {
  accountOf,
  areasFor,
  DEFAULT_SETTINGS,
  formatOfSettings,
  fullName,
  homeOf,
  KEY_SCOPES,
  may,
  mayChange,
  onlyOf,
  ROLES,
  scopeFor,
  settingsOfFormat,
  settingsView,
  wholeAccount,
  type User,
  type Role,
} from '.';
import { settingsSchema } from './schemas';

const person = (role: Role): User => ({
  id: '7',
  accountId: '1',
  officeId: '2',
  role,
  firstName: 'A',
  lastName: 'B',
  email: '',
  phone: null,
  timeZone: 'UTC',
  dayGoal: 30,
});
const principal = (role: Role) => ({ kind: 'user', user: person(role) }) as const;

test('whose contacts each sees', () => {
  expect(ROLES.map((role) => `${role} ${scopeFor(principal(role)).sees}`)).toEqual([
    'owner all',
    'admin all',
    'agent own',
    'caller office',
    'lender attached',
  ]);
  expect(scopeFor({ kind: 'key', keyId: '1', accountId: '5', scopes: [], doorId: null })).toMatchObject({
    accountId: '5',
    sees: 'all',
  });
});

test('an agent sees those of a roster that shows its leads as well; a caller without an office sees all', () => {
  const agent = person('agent');
  expect(scopeFor({ kind: 'user', user: agent }).sharedRosters).toEqual([]);
  expect(scopeFor({ kind: 'user', user: { ...agent, sharedRosters: ['8'] } })).toMatchObject({
    sees: 'own',
    userId: '7',
    sharedRosters: ['8'],
  });
  expect(scopeFor({ kind: 'user', user: { ...person('caller'), officeId: null } }).sees).toBe('all');
});

test('what the team uses is changed by those who run the office; one’s own by oneself, and long work is seen alike', () => {
  const agent = scopeFor(principal('agent'));
  const mine = { made_by: '7', shared: false };
  expect(
    [mine, { ...mine, shared: true }, { made_by: '8', shared: false }, { made_by: null, shared: false }].map((one) =>
      mayChange(agent, one),
    ),
  ).toEqual([true, false, false, false]);
  expect(mayChange(wholeAccount('1'), { made_by: null, shared: true })).toBe(true);
  const key = { kind: 'key', keyId: '1', accountId: '5', scopes: [], doorId: null } as const;
  expect([onlyOf(principal('agent')), onlyOf(principal('admin')), onlyOf({ ...key, scopes: [] })]).toEqual(['7', null, null]);
  expect([accountOf({ ...key, scopes: [] }), accountOf(principal('agent'))]).toEqual(['5', '1']);
  expect(fullName({ firstName: '', lastName: 'Tarn' })).toBe('Tarn');
});

test('what each may do; a key exactly what it names', () => {
  expect(KEY_SCOPES.filter((scope) => may(principal('lender'), scope))).toEqual(['contacts:read']);
  expect(may(principal('agent'), 'setup:write')).toBe(false);
  expect(KEY_SCOPES.every((scope) => may(principal('owner'), scope))).toBe(true);
  const key = { kind: 'key', keyId: '1', accountId: '1', scopes: ['inquiries:write'], doorId: null } as const;
  expect(KEY_SCOPES.filter((scope) => may({ ...key, scopes: [...key.scopes] }, scope))).toEqual(['inquiries:write']);
});

test('the Wire of a lender holds contacts alone', () => {
  expect(areasFor({ role: 'lender' }).map(({ key }) => key)).toEqual(['contacts']);
  expect([homeOf('agent'), homeOf('lender')]).toEqual(['/today', '/contacts']);
});

test('quiet hours may be longer than the law asks, never shorter', () => {
  const fits = (patch: object) => settingsSchema.validate(patch, { convert: false }).error === undefined;
  expect([
    fits({ send_start: '09:00' }),
    fits({ send_end: '20:00' }),
    fits({ send_start: '07:59' }),
    fits({ send_end: '21:01' }),
    fits({ send_start: '9' }),
    fits({}),
    fits({ conversation_seconds: 5 }),
  ]).toEqual([true, true, false, false, false, false, false]);
});

test('formats of an account are those of its region unless it says otherwise, and read as they were written', () => {
  expect(formatOfSettings(settingsView(DEFAULT_SETTINGS))).toEqual({ locale: 'en-US', clock: null, weekStart: null });
  for (const clock of [null, 12, 24] as const)
    for (const weekStart of [null, 1, 6, 7]) {
      const choice = { locale: 'en-GB', clock, weekStart } as const;
      expect(formatOfSettings(settingsOfFormat(choice))).toEqual(choice);
    }
});
