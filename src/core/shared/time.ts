/**
 * Instants and local days. An instant is a Date in UTC; a rule is in a person's IANA zone. Luxon knows
 * the zones, daylight saving included: a local time that does not exist moves forward, one that exists twice is the first of the two.
 */
import { DateTime, IANAZone } from 'luxon';

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

/** Offsets change on quarter hours of UTC only, so one look-up serves fifteen minutes; the time zone database is slow to ask. */
const QUARTER = 15 * MINUTE;
const MOST_OFFSETS = 50_000;
const offsets = new Map<string, Map<number, number>>();
let offsetCount = 0;

/** What a zone is ahead of UTC at an instant, in milliseconds. */
function offsetMs(zone: string, at: number): number {
  const quarter = Math.floor(at / QUARTER);
  const known = offsets.get(zone)?.get(quarter);
  if (known !== undefined) return known;
  if ((offsetCount += 1) > MOST_OFFSETS) {
    offsets.clear();
    offsetCount = 1;
  }
  const found = IANAZone.create(zone).offset(at) * MINUTE;
  if (!offsets.has(zone)) offsets.set(zone, new Map());
  offsets.get(zone)!.set(quarter, found);
  return found;
}

/** The instant of a local wall-clock reading, given as milliseconds as if it were UTC. */
function instantOfLocal(local: number, zone: string): number {
  const before = local - offsetMs(zone, local - DAY);
  const after = local - offsetMs(zone, local + DAY);
  const real = [before, after].filter((instant) => instant + offsetMs(zone, instant) === local);
  return real.length ? Math.min(...real) : before;
}

/** The instant at which it is `clockTime` in `zone`, `days` local days after the local day of `from`. */
export function localInstant(from: Date, zone: string, days: number, clockTime: string): Date {
  const local = from.getTime() + offsetMs(zone, from.getTime());
  return new Date(instantOfLocal((Math.floor(local / DAY) + days) * DAY + minutesOf(clockTime) * MINUTE, zone));
}

/** Minutes after local midnight at `at` in `zone`, as a wall clock there shows them. */
export function localMinutes(at: Date, zone: string): number {
  const local = at.getTime() + offsetMs(zone, at.getTime());
  return Math.floor((local - Math.floor(local / DAY) * DAY) / MINUTE);
}

/** The local day of `at` as a number: the same all day long, one more the next day. */
export const localDayNumber = (at: Date, zone: string): number => Math.floor((at.getTime() + offsetMs(zone, at.getTime())) / DAY);

/** The local day of `at`, `2027-02-15`. */
export const localDate = (at: Date, zone: string): string => new Date(localDayNumber(at, zone) * DAY).toISOString().slice(0, 10);

/** The day of the week at `at` in `zone`: 1 is Monday, 7 is Sunday. */
export function localWeekday(at: Date, zone: string): number {
  return weekdayOf(localDayNumber(at, zone));
}
/** The first of January 1970 was a Thursday. */
const weekdayOf = (dayNumber: number): number => ((((dayNumber + 3) % 7) + 7) % 7) + 1;

/** Working hours: on these days of the week (1 is Monday), from one `HH:MM` up to another; past midnight when `to` is not later than `from`. */
export interface Hours {
  days: number[];
  from: string;
  to: string;
}

/** Is it within the hours at `at` in `zone`? Hours past midnight belong to the day on which they began. */
export function inHours(hours: Hours, at: Date, zone: string): boolean {
  /** Both from one look at the zone: a roster asks this for each of its people. */
  const local = at.getTime() + offsetMs(zone, at.getTime());
  const day = Math.floor(local / DAY);
  const minute = Math.floor((local - day * DAY) / MINUTE);
  const today = weekdayOf(day);
  const [from, to] = [minutesOf(hours.from), minutesOf(hours.to)];
  if (from < to) return hours.days.includes(today) && minute >= from && minute < to;
  return (hours.days.includes(today) && minute >= from) || (hours.days.includes(today === 1 ? 7 : today - 1) && minute < to);
}

/** The first and the last instant of the local day that holds `at`. */
export function localDay(at: Date, zone: string): { start: Date; end: Date } {
  const local = DateTime.fromJSDate(at, { zone });
  return { start: local.startOf('day').toJSDate(), end: local.endOf('day').toJSDate() };
}

/** An ISO 8601 duration such as `PT1H` or `P2DT30M` in milliseconds; null when it is none. */
export function durationMs(iso: string): number | null {
  const match = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?$/.exec(iso);
  if (!match || iso === 'P' || iso.endsWith('T')) return null;
  const [, days = '0', hours = '0', minutes = '0', seconds = '0'] = match;
  return Number(days) * DAY + Number(hours) * HOUR + Number(minutes) * MINUTE + Number(seconds) * 1000;
}

/** How long, for people: `42 sec`, `3 min 10 sec`, `5 hr 4 min`, `2 days`. */
export function howLong(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  if (seconds < 60) return `${seconds} sec`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 10) return seconds % 60 ? `${minutes} min ${seconds % 60} sec` : `${minutes} min`;
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 10) return minutes % 60 ? `${hours} hr ${minutes % 60} min` : `${hours} hr`;
  if (hours < 48) return `${hours} hr`;
  return `${Math.floor(hours / 24)} days`;
}
