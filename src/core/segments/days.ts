/** Days that return every year, as month and day in one number: 1103 is 3 November. */
import { DateTime } from 'luxon';

/**
 * The month-days from `at` (in a zone) through `days` days later, both included. In a year without 29 February that day
 * is kept on the 28th.
 */
export function monthDays(at: Date, zone: string, days: number): number[] {
  const found: number[] = [];
  let day = DateTime.fromJSDate(at, { zone }).startOf('day');
  for (let n = 0; n <= days; n += 1) {
    const here = day.month * 100 + day.day;
    found.push(here);
    if (here === 228 && !day.isInLeapYear) found.push(229);
    day = day.plus({ days: 1 });
  }
  return [...new Set(found)];
}

/** The instants between which local days lie: from the start of the first to the start of the day after the last. */
export function daySpan(
  from: string | null | undefined,
  to: string | null | undefined,
  zone: string,
): { from: Date | null; before: Date | null } {
  const start = (iso: string, plus: number) => {
    const day = DateTime.fromISO(iso, { zone });
    return day.isValid ? day.startOf('day').plus({ days: plus }).toJSDate() : null;
  };
  return { from: from ? start(from, 0) : null, before: to ? start(to, 1) : null };
}
