/** The first steps of a brokerage: what the data says is done, and what is not. */
import { START_STEP_KEYS, startGaps, startSteps, type StartFacts } from './start';

const NOTHING: StartFacts = {
  contacts: 0,
  mail: 'missing',
  sources: 0,
  leads: 0,
  users: 1,
  invited: 0,
  postalAddress: false,
  campaignsOn: 0,
  onRosters: 1,
  texts: false,
  calls: false,
  letters: false,
  registry: false,
  receivesMail: false,
};
const ALL: StartFacts = {
  contacts: 3_000,
  mail: 'connected',
  sources: 1,
  leads: 1,
  users: 3,
  invited: 1,
  postalAddress: true,
  campaignsOn: 1,
  onRosters: 3,
  texts: true,
  calls: true,
  letters: true,
  registry: true,
  receivesMail: true,
};
const states = (facts: StartFacts, skipped: string[] = []) =>
  Object.fromEntries(startSteps(facts, skipped).map(({ key, state }) => [key, state]));

test('of a new brokerage every step is open, each with a place', () => {
  expect(Object.keys(states(NOTHING))).toEqual([...START_STEP_KEYS]);
  expect(new Set(Object.values(states(NOTHING)))).toEqual(new Set(['open']));
  expect(startSteps(NOTHING, []).every(({ place, does }) => place?.startsWith('/') && does)).toBe(true);
});
test('what the data says is done is done, also where it was skipped before', () => {
  expect(new Set(Object.values(states(ALL, ['mail', 'contacts'])))).toEqual(new Set(['done']));
});
test('what was skipped stands aside until it is done', () => {
  expect(states(NOTHING, ['mail'])).toMatchObject({ mail: 'skipped', contacts: 'open' });
});
test('a lead source is done when it has brought a lead, a mail server when it works', () => {
  expect(states({ ...ALL, leads: 0 }).source).toBe('open');
  expect(startSteps({ ...NOTHING, sources: 1 }, []).find(({ key }) => key === 'source')).toMatchObject({
    does: 'Send a test lead',
    place: null,
  });
  expect(startSteps(NOTHING, []).find(({ key }) => key === 'source')?.place).toBe('/setup/sources#doors');
  expect(states({ ...ALL, mail: 'checking' }).mail).toBe('open');
  expect(startSteps({ ...ALL, mail: 'failing' }, []).find(({ key }) => key === 'mail')?.detail).toMatch(/didn’t take/);
});
test('numbers are counted in words', () => {
  const detail = (facts: StartFacts, key: string) => startSteps(facts, []).find((step) => step.key === key)?.detail;
  expect(detail(ALL, 'contacts')).toBe('3,000 contacts so far.');
  expect(detail({ ...NOTHING, users: 1, invited: 1 }, 'agents')).toBe('1 user, 1 invitation open.');
});
test('gaps are what is missing and no more', () => {
  expect(startGaps(ALL)).toEqual([]);
  expect(startGaps({ ...NOTHING, onRosters: 0 }).map(({ name }) => name)).toEqual([
    'No one is on a roster',
    'Texts',
    'Calls from the page',
    'Letters by mail',
    'Do-not-call registry',
    'Mail that comes in',
  ]);
});
