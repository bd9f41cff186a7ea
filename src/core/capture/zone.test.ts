import lookup from '@photostructure/tz-lookup';
import { describe, expect, it } from '@jest/globals';
import zipcodes from 'zipcodes';
import { zoneOfPostalCode } from './zone';

describe('the time zone of a ZIP code', () => {
  it('is that of the place where it lies, for every one of them', () => {
    const all = Object.values(zipcodes.codes).filter(({ zip, country }) => /^\d{5}$/.test(zip) && country === 'US');
    expect(all.length).toBeGreaterThan(41_000);
    const wrong = all.filter(({ zip, latitude, longitude }) => zoneOfPostalCode(zip) !== lookup(latitude, longitude));
    expect(wrong).toEqual([]);
  });
  it('is null for what is none, and goes by its neighbors where none is assigned', () => {
    expect([zoneOfPostalCode('00000'), zoneOfPostalCode('SW1A 1AA'), zoneOfPostalCode(null), zoneOfPostalCode('1234')]).toEqual([
      null,
      null,
      null,
      null,
    ]);
    expect(zoneOfPostalCode('98741')).toBe('America/Los_Angeles');
    expect(zoneOfPostalCode('98741-1234')).toBe('America/Los_Angeles');
  });
});
