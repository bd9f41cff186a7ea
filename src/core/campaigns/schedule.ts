/** The instants of steps, in the contact's zone. */
import type { DateKind } from '../contacts';
import { DAY, localDayNumber, localInstant, localWeekday, MINUTE } from '../shared';
import type { Plan, StepTiming } from './plan';

/** The moments from which a step's time is counted. */
export interface Anchors {
  startedAt: Date;
  /** When the step before was carried out; the beginning for the first. */
  lastAt: Date;
  timeZone: string;
  /** The person's dates as month and day, 1123 for the 23rd of November. */
  dates?: Partial<Record<DateKind, readonly number[]>>;
}

/** The beginning of a round: of the first that of the enrollment, of the others so many days later each. */
export const roundStart = (startedAt: Date, round: number, repeat: Plan['repeat']): Date =>
  new Date(startedAt.getTime() + round * (repeat?.days ?? 0) * DAY);

/** The next instant at which it is `at` on a day that lies `days` from a month and day; the 29th of February is kept on the 28th in other years. */
export function nextYearly(monthDay: number, days: number, at: string, from: Date, timeZone: string): Date {
  const today = localDayNumber(from, timeZone);
  const year = new Date(today * DAY).getUTCFullYear();
  for (let turn = year - 1; ; turn += 1) {
    const month = Math.floor(monthDay / 100) - 1;
    const last = new Date(Date.UTC(turn, month + 1, 0)).getUTCDate();
    const day = Date.UTC(turn, month, Math.min(monthDay % 100, last)) / DAY + days;
    const instant = localInstant(from, timeZone, day - today, at);
    if (instant >= from) return instant;
  }
}

/** @returns when a step is due; null when it depends on a date that is not known of this person */
export function plannedAt(when: StepTiming, { startedAt, lastAt, timeZone, dates }: Anchors): Date | null {
  if ('date' in when) {
    const known = dates?.[when.date] ?? [];
    if (!known.length) return null;
    return new Date(Math.min(...known.map((one) => nextYearly(one, when.days, when.at, lastAt, timeZone).getTime())));
  }
  const anchor = when.after === 'start' ? startedAt : lastAt;
  if ('minutes' in when) return new Date(anchor.getTime() + when.minutes * MINUTE);
  const at = (days: number) => localInstant(anchor, timeZone, days, when.at);
  if (!when.on?.length) return at(when.days);
  for (let more = 0; more < 7; more += 1) {
    const day = at(when.days + more);
    if (when.on.includes(localWeekday(day, timeZone))) return day;
  }
  return at(when.days);
}
