import Holidays from 'date-holidays';
import { describe, expect, it } from '@jest/globals';
import { DEFAULT_SETTINGS } from '../accounts';
import { mayTouch, UNKNOWN_PERMISSION, type TouchQuestion } from './guardrails';
import { holidayOn, nextWorkday } from './holidays';

const ZONE = 'America/Los_Angeles';
const question = (now: string, more: Partial<TouchQuestion> = {}): TouchQuestion => ({
  channel: 'email',
  automatic: true,
  now: new Date(now),
  timeZone: ZONE,
  stage: 'new',
  doNotContact: false,
  address: 'a@b.example',
  addressError: null,
  permission: UNKNOWN_PERMISSION,
  wroteAt: null,
  onThePhone: false,
  touched: [],
  ...more,
});
const says = (now: string, more?: Partial<TouchQuestion>): string => {
  const verdict = mayTouch(question(now, more), DEFAULT_SETTINGS);
  return verdict.go === true ? 'go' : verdict.go === 'later' ? `${verdict.because.why} ${verdict.at.toISOString()}` : 'no';
};

describe('holidays', () => {
  it('are those that the calendar of the country knows, for the years ahead', () => {
    const known = new Holidays('US');
    for (let year = 2026; year <= 2040; year += 1) {
      const thanksgiving = known
        .getHolidays(year)
        .find(({ name }) => name === 'Thanksgiving Day')!
        .date.slice(0, 10);
      expect(holidayOn(thanksgiving, ['thanksgiving'])).toBe('Thanksgiving');
    }
    expect(holidayOn('2026-11-26', ['12-25'])).toBeNull();
    expect(holidayOn('2027-01-01', ['01-01'])).toBe('New Year’s Day');
    expect(nextWorkday('2026-12-25', ['12-25', '2026-12-26'])).toBe('2026-12-27');
  });
  it('put off what is tied to no date, and nothing that a person set a date for', () => {
    expect(says('2026-11-26T18:00:00Z')).toBe('holiday 2026-11-27T16:00:00.000Z');
    expect(says('2027-01-01T17:00:00Z', { dated: true })).toBe('go');
    expect(says('2027-01-01T10:00:00Z', { dated: true })).toMatch(/^quiet_hours 2027-01-01/);
  });
  it('never make two emails of one on the day after', () => {
    const touched = [{ at: new Date('2026-11-27T16:00:00Z'), channel: 'email' as const }];
    expect(says('2026-11-27T18:00:00Z', { touched })).toBe('holiday 2026-11-28T16:00:00.000Z');
    expect(says('2026-12-03T18:00:00Z', { touched: [{ at: new Date('2026-12-03T16:00:00Z'), channel: 'email' }] })).toBe('go');
  });
  it('put nothing onto a date of their own, which is congratulated on its day', () => {
    expect(says('2026-11-27T18:00:00Z', { ownDays: [1127] })).toBe('holiday 2026-11-28T16:00:00.000Z');
    expect(says('2026-11-27T18:00:00Z', { ownDays: [1128] })).toBe('go');
    expect(says('2026-11-27T18:00:00Z', { ownDays: [1127], dated: true })).toBe('go');
    expect(says('2026-12-03T18:00:00Z', { ownDays: [1203] })).toBe('go');
  });
  it('archived people get nothing that goes by itself, whatever the campaign', () => {
    expect(says('2026-11-24T18:00:00Z', { stage: 'archived', anyStage: true, dated: true })).toBe('no');
    expect(says('2026-11-24T18:00:00Z', { stage: 'past_client', anyStage: true })).toBe('go');
  });
});
