/** A calendar of days that return every year (iCalendar, RFC 5545). 29 February is kept on the last day of February. */
import { folded } from '../exports';
import { DATE_NAMES, type DateKind } from '../contacts';

/** A date of a contact: one that comes back each year, or a day of its own field that is there once. */
export interface YearlyDay {
  contactId: string;
  name: string;
  kind: DateKind;
  label: string;
  year: number | null;
  /** 1103 is 3 November. */
  monthDay: number;
  /** The account's own field in which it stands. */
  fieldId?: string | null;
  /** It doesn't come back. */
  once?: boolean;
}

const escaped = (text: string): string =>
  text
    .replace(/\\/g, '\\\\')
    .replace(/\n/g, '\\n')
    .replace(/[,;]/g, (sign) => `\\${sign}`);
const two = (n: number): string => String(n).padStart(2, '0');
const stamp = (at: Date): string => `${at.toISOString().slice(0, 19).replace(/[-:]/g, '')}Z`;

/** The whole calendar. @param url where a contact opens, given its id */
export function calendarOf(name: string, days: YearlyDay[], now: Date, url: (contactId: string) => string): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Urraca//Important dates//EN',
    'METHOD:PUBLISH',
    `X-WR-CALNAME:${escaped(name)}`,
    'REFRESH-INTERVAL;VALUE=DURATION:PT12H',
    ...days.flatMap((day) => eventOf(day, now, url)),
    'END:VCALENDAR',
  ];
  return lines.map((line) => `${folded(line)}\r\n`).join('');
}

function eventOf(day: YearlyDay, now: Date, url: (contactId: string) => string): string[] {
  const [month, date] = [Math.floor(day.monthDay / 100), day.monthDay % 100];
  const leap = day.monthDay === 229;
  const first = day.year ?? (leap ? 2024 : 2020);
  const words = day.label || DATE_NAMES[day.kind];
  return [
    'BEGIN:VEVENT',
    `UID:${day.contactId}-${day.fieldId ? `field${day.fieldId}` : day.kind}-${day.monthDay}@urraca`,
    `DTSTAMP:${stamp(now)}`,
    `DTSTART;VALUE=DATE:${first}${two(month)}${two(date)}`,
    ...(day.once ? [] : [leap ? 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=-1' : 'RRULE:FREQ=YEARLY']),
    'TRANSP:TRANSPARENT',
    `SUMMARY:${escaped(`${day.name}: ${words}${day.year && !day.once ? ` (${day.year})` : ''}`)}`,
    `URL:${url(day.contactId)}`,
    'END:VEVENT',
  ];
}
