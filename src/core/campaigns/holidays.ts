/** Holidays of the United States by day: those with a date of their own, and the movable ones from a table (scripts/holidays.mjs). */
import { MOVABLE_DAYS } from './movable-holidays';

/** Movable holidays as settings name them. */
export const MOVABLE_HOLIDAYS = {
  'mlk-day': 'Martin Luther King Jr. Day',
  'presidents-day': 'Presidents’ Day',
  easter: 'Easter Sunday',
  'memorial-day': 'Memorial Day',
  'labor-day': 'Labor Day',
  thanksgiving: 'Thanksgiving',
} as const;
/** A holiday whose day moves from year to year. */
export type MovableHoliday = keyof typeof MOVABLE_HOLIDAYS;
const TABLE = MOVABLE_DAYS as Record<string, MovableHoliday | undefined>;

const FIXED: Record<string, string> = {
  '01-01': 'New Year’s Day',
  '06-19': 'Juneteenth',
  '07-04': 'Independence Day',
  '11-11': 'Veterans Day',
  '12-24': 'Christmas Eve',
  '12-25': 'Christmas Day',
  '12-31': 'New Year’s Eve',
};

/** All that have a name, as settings name them. */
export const NAMED_HOLIDAYS: readonly { key: string; name: string }[] = Object.entries({ ...FIXED, ...MOVABLE_HOLIDAYS }).map(
  ([key, name]) => ({ key, name }),
);

/**
 * The holiday on a day, by name, among those that an account keeps; null on any other day.
 * @param day 2026-11-26
 * @param holidays days (2026-12-26), days of every year (12-25), or movable holidays by name (thanksgiving)
 */
export function holidayOn(day: string, holidays: readonly string[]): string | null {
  if (!holidays.length) return null;
  const yearly = day.slice(5);
  const key = TABLE[day];
  if (key && holidays.includes(key)) return MOVABLE_HOLIDAYS[key];
  return holidays.includes(day) || holidays.includes(yearly)
    ? (FIXED[yearly] ?? (key ? MOVABLE_HOLIDAYS[key] : 'a holiday'))
    : null;
}

const DAY_MS = 86_400_000;
/** The first day behind `day` that is none. */
export function nextWorkday(day: string, holidays: readonly string[]): string {
  let at = new Date(`${day}T12:00:00Z`);
  for (let tries = 0; tries < 10; tries += 1) {
    at = new Date(at.getTime() + DAY_MS);
    const next = at.toISOString().slice(0, 10);
    if (!holidayOn(next, holidays)) return next;
  }
  return at.toISOString().slice(0, 10);
}
