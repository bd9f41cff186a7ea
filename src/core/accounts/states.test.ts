/** The states: each once, by a code of two letters, in a zone that exists. */
import { stateName, STATE_CODES, US_STATES, US_ZONES } from './states';

test('fifty states, the capital and Puerto Rico, each once', () => {
  expect(US_STATES).toHaveLength(52);
  expect(new Set(STATE_CODES).size).toBe(52);
  expect(STATE_CODES.every((code) => /^[A-Z]{2}$/.test(code))).toBe(true);
});
test('each lies in one of the zones to choose from, and those are known to the calendar', () => {
  const zones = US_ZONES.map(({ zone }) => zone);
  expect(US_STATES.filter(({ zone }) => !zones.includes(zone))).toEqual([]);
  for (const zone of zones) expect(() => new Intl.DateTimeFormat('en-US', { timeZone: zone })).not.toThrow();
});
test('a state is called by its name', () => {
  expect(stateName('WA')).toBe('Washington');
  expect(stateName('ZZ')).toBe('ZZ');
});
