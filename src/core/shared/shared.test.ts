import fc from 'fast-check';
import { DateTime } from 'luxon';
import {
  AppError,
  cursorOf,
  durationMs,
  howLong,
  initialsOf,
  isZone,
  localDay,
  localInstant,
  localMinutes,
  pageOf,
  readCursor,
  seeded,
} from '.';

test('a duration of ISO 8601 in milliseconds; what is none is null', () => {
  expect([durationMs('PT1H'), durationMs('P1D'), durationMs('P2DT3H4M5S')]).toEqual([3_600_000, 86_400_000, 183_845_000]);
  for (const none of ['', 'P', 'PT', '1H', 'P1Y', '-PT1H', 'PT1.5H']) expect([none, durationMs(none)]).toEqual([none, null]);
});

test('a local clock time on a later day, over both changes of the clock', () => {
  expect(localInstant(new Date('2026-03-07T20:00:00Z'), 'America/Los_Angeles', 1, '09:00').toISOString()).toBe(
    '2026-03-08T16:00:00.000Z',
  );
  expect(localInstant(new Date('2026-10-31T20:00:00Z'), 'America/Los_Angeles', 1, '09:00').toISOString()).toBe(
    '2026-11-01T17:00:00.000Z',
  );
  expect(localInstant(new Date('2026-03-07T20:00:00Z'), 'America/Los_Angeles', 1, '02:30').toISOString()).toBe(
    '2026-03-08T10:30:00.000Z',
  );
  const day = localDay(new Date('2026-11-01T20:00:00Z'), 'America/Los_Angeles');
  expect(day.end.getTime() - day.start.getTime()).toBe(25 * 3_600_000 - 1);
});

test('local clock times agree with luxon in any zone at any instant', () => {
  const zone = fc.constantFrom(
    'America/Los_Angeles',
    'America/New_York',
    'Asia/Kathmandu',
    'Australia/Lord_Howe',
    'Pacific/Apia',
    'Africa/Casablanca',
  );
  const instant = fc.date({ min: new Date('2020-01-01'), max: new Date('2030-01-01'), noInvalidDate: true });
  fc.assert(
    fc.property(
      zone,
      instant,
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 0, max: 1439 }),
      (inZone, from, days, minutes) => {
        const at = DateTime.fromJSDate(from, { zone: inZone });
        expect(localMinutes(from, inZone)).toBe(at.hour * 60 + at.minute);
        const [hour, minute] = [Math.floor(minutes / 60), minutes % 60];
        const found = DateTime.fromJSDate(
          localInstant(from, inZone, days, `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`),
          { zone: inZone },
        );
        const wanted = at.startOf('day').plus({ days }).set({ hour, minute });
        expect([found.toISODate(), found.toMillis() - wanted.toMillis()]).toEqual([wanted.toISODate(), 0]);
      },
    ),
    { numRuns: 500 },
  );
});

test('how long, for people', () => {
  expect([0, 42_000, 190_000, 1_200_000, 18_240_000, 200_000_000].map(howLong)).toEqual([
    '0 sec',
    '42 sec',
    '3 min 10 sec',
    '20 min',
    '5 hr 4 min',
    '2 days',
  ]);
  expect([isZone('America/Los_Angeles'), isZone('Mars/Olympus')]).toEqual([true, false]);
});

test('a cursor comes back as it went, whatever is in it; a foreign one is an input error', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.string({ maxLength: 20 }).filter((text) => [...text].every((sign) => sign.charCodeAt(0) < 256)),
        { minLength: 2, maxLength: 2 },
      ),
      (parts) => expect(readCursor(cursorOf(parts), 2)).toEqual(parts),
    ),
  );
  for (const foreign of ['x', '!!', cursorOf(['one']), btoa('{"a":1}')]) expect(() => readCursor(foreign, 2)).toThrow(AppError);
  expect(readCursor(null, 2)).toBeNull();
  expect(pageOf([1, 2, 3], 2, (n) => [String(n)])).toEqual({ items: [1, 2], next: cursorOf(['2']) });
  expect(pageOf([1, 2], 2, (n) => [String(n)]).next).toBeNull();
});

test('a seed gives the same sequence again, within its bounds', () => {
  const draw = () =>
    Array.from(
      { length: 50 },
      (
        (random) => () =>
          random.int(3, 9)
      )(seeded('lantern')),
    );
  expect(draw()).toEqual(draw());
  expect(Math.min(...draw())).toBeGreaterThanOrEqual(3);
  expect(Math.max(...draw())).toBeLessThanOrEqual(9);
});

test('initials are the first letters of the first two names, in every script', () => {
  expect(['Asta Lund', '  Oda  van der Fenn', 'Cher', '', '𝒜sta Ωmega'].map(initialsOf)).toEqual(['AL', 'Ov', 'C', '', '𝒜Ω']);
});
