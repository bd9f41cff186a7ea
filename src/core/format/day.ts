/** Days as people write them, with or without a year, into `YYYY-MM-DD` or `--MM-DD`. */
import { folded } from '../shared';

/** Whether 3/4 is 4 March or 3 April in a column. */
export type DayOrder = 'month-first' | 'day-first';

const MONTHS = [
  ['january', 'jan', 'enero', 'ene', 'januar', 'janner', 'janvier', 'janv', 'gennaio'],
  ['february', 'feb', 'febrero', 'februar', 'fevrier', 'fevr', 'febbraio'],
  ['march', 'mar', 'marzo', 'marz', 'mrz', 'mars'],
  ['april', 'apr', 'abril', 'abr', 'avril', 'avr', 'aprile'],
  ['may', 'mayo', 'mai', 'maggio'],
  ['june', 'jun', 'junio', 'juni', 'juin', 'giugno'],
  ['july', 'jul', 'julio', 'juli', 'juillet', 'juil', 'luglio'],
  ['august', 'aug', 'agosto', 'ago', 'aout'],
  ['september', 'sep', 'sept', 'septiembre', 'septembre', 'settembre'],
  ['october', 'oct', 'octubre', 'oktober', 'okt', 'octobre', 'ottobre'],
  ['november', 'nov', 'noviembre', 'novembre'],
  ['december', 'dec', 'diciembre', 'dic', 'dezember', 'dez', 'decembre', 'dicembre'],
];
const monthOf = (word: string): number => MONTHS.findIndex((names) => names.includes(word)) + 1;
const DAYS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const two = (number: number): string => String(number).padStart(2, '0');

const isLeap = (year: number): boolean => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);

/** A real day of the calendar; without a year 29 February is one. Null otherwise. */
export function dayOf(year: number | null, month: number, day: number): string | null {
  if (month < 1 || month > 12 || day < 1 || day > DAYS[month - 1]!) return null;
  if (year !== null && month === 2 && day === 29 && !isLeap(year)) return null;
  return `${year === null ? '-' : String(year).padStart(4, '0')}-${two(month)}-${two(day)}`;
}

/** Two digits lie in the hundred years up to `thisYear`. Years that stand for none (1604, 0000) are no year. */
function yearOf(text: string, thisYear: number): number | null | undefined {
  if (text.length === 2) {
    const year = Math.floor(thisYear / 100) * 100 + Number(text);
    return year > thisYear ? year - 100 : year;
  }
  const year = Number(text);
  if (year === 0 || year === 1604) return null;
  return year >= 1850 && year <= thisYear + 50 ? year : undefined;
}

/**
 * The day that a cell names; null when it names none.
 *
 * @example readDay('3/4/71', 'month-first', 2026) // '1971-03-04'
 * @example readDay('12 April', 'month-first', 2026) // '--04-12'
 */
export function readDay(cell: string, order: DayOrder, thisYear: number): string | null {
  const text = cell.trim().replace(/[T ]\d{1,2}:\d{2}(:\d{2})?(\.\d+)?\s*(am|pm|z|[+-]\d{2}:?\d{2})?$/i, '');
  const make = (year: string | null, month: number, day: number): string | null => {
    const read = year === null ? null : yearOf(year, thisYear);
    return read === undefined ? null : dayOf(read, month, day);
  };
  let found = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(text) ?? /^(\d{4})(\d{2})(\d{2})$/.exec(text);
  if (found) return make(found[1]!, Number(found[2]), Number(found[3]));
  found = /^--?(\d{2})-?(\d{2})$/.exec(text);
  if (found) return dayOf(null, Number(found[1]), Number(found[2]));
  found = /^(\d{1,2})\.\s*(\d{1,2})\.?\s*(\d{4}|\d{2})?$/.exec(text);
  if (found) return make(found[3] ?? null, Number(found[2]), Number(found[1]));
  found = /^(\d{1,2})[-/ ](\d{1,2})(?:[-/ ](\d{4}|\d{2}))?$/.exec(text);
  if (found) {
    const [month, day] = order === 'month-first' ? [Number(found[1]), Number(found[2])] : [Number(found[2]), Number(found[1])];
    return make(found[3] ?? null, month, day);
  }
  if (/^\d{5}(\.0+)?$/.test(text)) return fromSerial(Number(text));
  return readWords(text, make);
}

/** `12 April 1985`, `Apr 12`, `12-Apr-1985`, `Feb 29, 1992`, `Monday, April 12th 1985`. */
function readWords(text: string, make: (year: string | null, month: number, day: number) => string | null): string | null {
  const words = folded(text)
    .replace(/(\d)(st|nd|rd|th)\b/g, '$1')
    .split(' ')
    .filter(
      (word) =>
        !/^(monday|tuesday|wednesday|thursday|friday|saturday|sunday|mon|tue|wed|thu|fri|sat|sun|de|del|of|the)$/.test(word),
    );
  const month = words.map(monthOf).find((one) => one > 0);
  const numbers = words.filter((word) => /^\d+$/.test(word));
  if (!month || numbers.length + 1 !== words.length || !numbers.length || numbers.length > 2) return null;
  const at = words.findIndex((word) => monthOf(word) > 0);
  if (numbers.length === 1) return numbers[0]!.length <= 2 ? make(null, month, Number(numbers[0])) : null;
  const yearFirst = at === 1 && numbers[0]!.length === 4;
  const [day, year] = yearFirst ? [numbers[1]!, numbers[0]!] : [numbers[0]!, numbers[1]!];
  return year.length === 4 || year.length === 2 ? make(year, month, Number(day)) : null;
}

/** A spreadsheet's count of days since 30 December 1899. */
function fromSerial(serial: number): string | null {
  if (serial < 366 || serial > 80_000) return null;
  return new Date(Date.UTC(1899, 11, 30) + serial * 86_400_000).toISOString().slice(0, 10);
}

/** The order that a column's values show; month first unless they show otherwise. */
export function orderOf(values: string[]): DayOrder {
  let dayFirst = 0;
  let monthFirst = 0;
  for (const value of values) {
    const found = /^(\d{1,2})[-/ ](\d{1,2})(?:[-/ ]\d{2,4})?$/.exec(value.trim());
    if (!found) continue;
    if (Number(found[1]) > 12 && Number(found[2]) <= 12) dayFirst += 1;
    if (Number(found[2]) > 12 && Number(found[1]) <= 12) monthFirst += 1;
  }
  return dayFirst > monthFirst ? 'day-first' : 'month-first';
}
