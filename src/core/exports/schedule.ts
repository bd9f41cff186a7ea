/** When an export comes back: every day, on a day of the week, or on a day of the month, at a time of the person's own zone. */
import { clockTime, type Format } from '../format';
import { DateTime } from 'luxon';

export const EVERY = ['day', 'week', 'month'] as const;
/** How often an export comes back by itself. */
export interface Rhythm {
  every: (typeof EVERY)[number];
  /** 1 Monday to 7 Sunday, or the day of the month; months that are shorter take their last day. Of no account for every day. */
  day: number;
  /** `07:30`, on a clock in the zone. */
  at: string;
}

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** The next instant of a rhythm that lies behind `after`. A time that the change to summer time leaves out comes an hour later. */
export function nextRun({ every, day, at }: Rhythm, after: Date, zone: string): Date {
  const [hour = 0, minute = 0] = at.split(':').map(Number);
  const from = DateTime.fromJSDate(after, { zone }).startOf('day');
  for (let n = 0; ; n += 1) {
    const start = every === 'month' ? from.startOf('month').plus({ months: n }) : from.plus({ days: n });
    if (every === 'week' && start.weekday !== day) continue;
    const on = every === 'month' ? start.set({ day: Math.min(day, start.daysInMonth!) }) : start;
    const run = on.set({ hour, minute });
    if (run.toMillis() > after.getTime()) return run.toJSDate();
  }
}

const ordinal = (n: number): string => {
  const ending = n % 100 > 10 && n % 100 < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${ending}`;
};

/** `every Monday at 07:30`. */
export function rhythmWords({ every, day, at }: Rhythm, clock: Format['clockTime'] = clockTime): string {
  const on = every === 'day' ? 'day' : every === 'week' ? WEEKDAYS[day - 1]! : `month on the ${ordinal(day)}`;
  return `every ${on} at ${clock(at)}`;
}
