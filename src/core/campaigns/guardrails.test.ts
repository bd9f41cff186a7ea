import fc from 'fast-check';
import { HOUR, localMinutes, MINUTE } from '../shared';
import { DEFAULT_SETTINGS } from '../accounts';
import { mayTouch, UNKNOWN_PERMISSION, type TouchQuestion } from '.';

const question = (more: Partial<TouchQuestion> = {}): TouchQuestion => ({
  channel: 'text',
  automatic: true,
  now: new Date('2026-11-23T18:00:00Z'),
  timeZone: 'America/Los_Angeles',
  stage: 'new',
  doNotContact: false,
  address: '+15645550123',
  addressError: null,
  permission: { state: 'granted', at: null, how: null },
  wroteAt: null,
  onThePhone: false,
  touched: [],
  ...more,
});
const ask = (more: Partial<TouchQuestion>) => mayTouch(question(more), { ...DEFAULT_SETTINGS, holidays: [] });

const zone = fc.constantFrom(
  'America/Los_Angeles',
  'America/New_York',
  'America/Phoenix',
  'Pacific/Honolulu',
  'Europe/Lisbon',
  'Asia/Kathmandu',
  'Australia/Lord_Howe',
);
const instant = fc.date({ min: new Date('2024-01-01'), max: new Date('2030-01-01'), noInvalidDate: true });

test('nothing goes outside eight to twenty-one at the contact, in any zone at any instant; what waits goes when it opens', () => {
  fc.assert(
    fc.property(zone, instant, fc.constantFrom('text', 'email', 'call'), (timeZone, now, channel) => {
      const verdict = ask({ channel, timeZone, now });
      const minutes = localMinutes(now, timeZone);
      expect(verdict.go === true).toBe(minutes >= 8 * 60 && minutes < 21 * 60);
      if (verdict.go !== 'later') return;
      expect(verdict.at.getTime()).toBeGreaterThan(now.getTime());
      expect(verdict.at.getTime() - now.getTime()).toBeLessThanOrEqual(12 * HOUR);
      expect(localMinutes(verdict.at, timeZone)).toBe(8 * 60);
      expect(ask({ channel, timeZone, now: verdict.at }).go).toBe(true);
    }),
  );
});

test('a withdrawn permission holds back every channel, by hand too, at any hour; a letter knows no quiet hours', () => {
  fc.assert(
    fc.property(fc.constantFrom('text', 'email', 'call', 'letter'), fc.boolean(), instant, (channel, automatic, now) => {
      expect(ask({ channel, automatic, now, permission: { state: 'withdrawn', at: now, how: 'they said so' } }).go).toBe(false);
      expect(ask({ channel, automatic, now, doNotContact: true }).go).toBe(false);
      expect(ask({ channel, automatic, now, address: null }).go).toBe(false);
      expect(ask({ channel: 'letter', automatic, now, permission: UNKNOWN_PERMISSION }).go).toBe(true);
    }),
  );
});

test('an automatic text needs a recorded yes; a person may answer without one; email and call go until withdrawn', () => {
  expect(ask({ permission: UNKNOWN_PERMISSION })).toMatchObject({ go: false, because: { why: 'no_permission' } });
  expect(ask({ permission: UNKNOWN_PERMISSION, automatic: false }).go).toBe(true);
  expect(ask({ permission: UNKNOWN_PERMISSION, channel: 'email' }).go).toBe(true);
  expect(ask({ permission: UNKNOWN_PERMISSION, channel: 'call' }).go).toBe(true);
});

test('no campaign reaches somebody who is worked with, whose address is broken, or who is on the phone', () => {
  for (const stage of ['client', 'under_contract', 'past_client', 'archived'] as const)
    expect(ask({ stage })).toMatchObject({ go: false, because: { why: 'not_followed_up' } });
  expect(ask({ stage: 'client', automatic: false }).go).toBe(true);
  expect(ask({ addressError: 'wrong number' })).toMatchObject({ go: false, because: { why: 'address_broken' } });
  expect(ask({ onThePhone: true })).toMatchObject({ go: 'later', because: { why: 'on_the_phone_now' } });
});

test('at night somebody who wrote within the hour may be answered by hand, and only by hand', () => {
  const now = new Date('2026-11-24T07:00:00Z');
  expect(ask({ now, automatic: false, wroteAt: new Date(now.getTime() - 59 * MINUTE) }).go).toBe(true);
  expect(ask({ now, automatic: false, wroteAt: new Date(now.getTime() - 61 * MINUTE) }).go).toBe('later');
  expect(ask({ now, automatic: true, wroteAt: now }).go).toBe('later');
});
