/**
 * Instants and local days. An instant is a Date in UTC; a rule is in a person's IANA zone. Luxon does the arithmetic,
 * daylight saving included: a local time that does not exist moves forward, one that exists twice is the first of the two.
 */
import { DateTime } from 'luxon';

export const MINUTE = 60_000;
export const HOUR = 60 * MINUTE;
export const DAY = 24 * HOUR;

/** True for a zone the runtime knows, such as `America/Los_Angeles`. */
export const isZone = (zone: string): boolean => DateTime.now().setZone(zone).isValid;

/** `09:30` as minutes after midnight. */
export function minutesOf(clockTime: string): number {
  const [hour = 0, minute = 0] = clockTime.split(':').map(Number);
  return hour * 60 + minute;
}

/** The instant at which it is `clockTime` in `zone`, `days` local days after the local day of `from`. */
export function localInstant(from: Date, zone: string, days: number, clockTime: string): Date {
  const minutes = minutesOf(clockTime);
  return DateTime.fromJSDate(from, { zone })
    .startOf('day')
    .plus({ days })
    .set({ hour: Math.floor(minutes / 60), minute: minutes % 60 })
    .toJSDate();
}

/** Minutes after local midnight at `at` in `zone`, as a wall clock there shows them. */
export function localMinutes(at: Date, zone: string): number {
  const local = DateTime.fromJSDate(at, { zone });
  return local.hour * 60 + local.minute;
}

/** The first and the last instant of the local day that holds `at`. */
export function localDay(at: Date, zone: string): { start: Date; end: Date } {
  const local = DateTime.fromJSDate(at, { zone });
  return { start: local.startOf('day').toJSDate(), end: local.endOf('day').toJSDate() };
}

/** `Tue 3 Mar, 10:24`, in the zone. */
export const dayAndTime = (at: Date, zone: string): string => DateTime.fromJSDate(at, { zone }).toFormat('ccc d LLL, HH:mm');
/** `3 Mar`, in the zone. */
export const shortDay = (at: Date, zone: string): string => DateTime.fromJSDate(at, { zone }).toFormat('d LLL');
/** `10:24`, in the zone. */
export const clockTime = (at: Date, zone: string): string => DateTime.fromJSDate(at, { zone }).toFormat('HH:mm');

/** An ISO 8601 duration such as `PT1H` or `P2DT30M` in milliseconds; null when it is none. */
export function durationMs(iso: string): number | null {
  const match = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?$/.exec(iso);
  if (!match || iso === 'P' || iso.endsWith('T')) return null;
  const [, days = '0', hours = '0', minutes = '0', seconds = '0'] = match;
  return Number(days) * DAY + Number(hours) * HOUR + Number(minutes) * MINUTE + Number(seconds) * 1000;
}

/** How long, for people: `42 s`, `3 min 10 s`, `5 h 4 min`, `2 d`. */
export function howLong(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 10) return seconds % 60 ? `${minutes} min ${seconds % 60} s` : `${minutes} min`;
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 10) return minutes % 60 ? `${hours} h ${minutes % 60} min` : `${hours} h`;
  if (hours < 48) return `${hours} h`;
  return `${Math.floor(hours / 24)} d`;
}
