/**
 * How dates, times, numbers and money look to a person. Nothing else in Urraca formats: whoever shows something to somebody asks the Format of that
 * person, whoever writes to a client that of the account.
 */
export const LOCALES = ['en-US', 'en-GB', 'es-US'] as const;
/** A language with the habits of a country (BCP 47). */
export type Locale = (typeof LOCALES)[number];
export const LOCALE_NAMES: Record<Locale, string> = {
  'en-US': 'English (United States)',
  'en-GB': 'English (United Kingdom)',
  'es-US': 'Español (Estados Unidos)',
};

/** What a person chose of formats; what is null is as usual in the locale. */
export interface FormatChoice {
  locale: Locale;
  /** A clock of 12 hours with AM and PM, or of 24. */
  clock: 12 | 24 | null;
  /** The first day of the week: 1 is Monday, 7 is Sunday. */
  weekStart: number | null;
}
export const DEFAULT_FORMAT: FormatChoice = { locale: 'en-US', clock: null, weekStart: null };

/** What is usual where a locale is spoken. */
const USUAL: Record<Locale, { clock: 12 | 24; weekStart: number }> = {
  'en-US': { clock: 12, weekStart: 7 },
  'en-GB': { clock: 24, weekStart: 1 },
  'es-US': { clock: 12, weekStart: 7 },
};

/** All ways of showing something, for one choice. Instants are shown in an IANA zone; days are `YYYY-MM-DD`, or `--MM-DD` without a year. */
export interface Format extends FormatChoice {
  clock: 12 | 24;
  weekStart: number;
  /** `10:24 AM` */
  time: (at: Date, zone: string) => string;
  /** `9 AM` of `09:00`, `9:30 AM` of `09:30` */
  clockTime: (time: string) => string;
  /** `Nov 23` */
  shortDay: (at: Date, zone: string) => string;
  /** `Mon, Nov 23` */
  weekday: (at: Date, zone: string) => string;
  /** `Mon, Nov 23, 10:24 AM` */
  dayAndTime: (at: Date, zone: string) => string;
  /** `Nov 23, 2026` */
  longDay: (at: Date, zone: string) => string;
  /** `Nov 23, 2026` of `2026-11-23`, `Nov 23` of `--11-23`, `Nov 2026` of `2026-11`; what is none stays as it is. */
  plainDay: (day: string) => string;
  /** `11/23/2026` */
  numericDay: (day: string) => string;
  /** `1,570` */
  number: (value: number) => string;
  /** `1 person`, `1,570 people` */
  count: (value: number, one: string, many: string) => string;
  /** `$469,400`; with cents when they are asked for */
  money: (dollars: number, cents?: boolean) => string;
  /** `$287K`, `$1.2M` */
  shortMoney: (dollars: number) => string;
  /** `15%` of `0.15` */
  percent: (share: number) => string;
  /** The days of the week in the order of the person's calendar; `day` 1 is Monday, 7 is Sunday. */
  weekdays: readonly Weekday[];
}

/** A day of the week by its number and its names. */
export interface Weekday {
  day: number;
  /** `Mon` */
  short: string;
  /** `Monday` */
  long: string;
}

const known = new Map<string, Format>();
/** The Format of a choice. Making one is slow, so each is made once. */
export function formatOf(choice: FormatChoice = DEFAULT_FORMAT): Format {
  const key = `${choice.locale} ${choice.clock} ${choice.weekStart}`;
  const there = known.get(key) ?? make(choice);
  known.set(key, there);
  return there;
}

type Parts = Intl.DateTimeFormatOptions;
/** No-break spaces, which Intl puts before AM and units, are spaces to whoever searches or copies. */
const plain = (text: string): string => text.replace(/[\u00a0\u202f]/g, ' ');

function make({ locale, clock: chosen, weekStart }: FormatChoice): Format {
  const clock = chosen ?? USUAL[locale].clock;
  const hours: Parts = { hour: clock === 12 ? 'numeric' : '2-digit', minute: '2-digit', hourCycle: clock === 12 ? 'h12' : 'h23' };
  const firstDay = weekStart ?? USUAL[locale].weekStart;
  const made = new Map<string, Intl.DateTimeFormat>();
  const by = (name: string, parts: Parts, zone: string): Intl.DateTimeFormat => {
    const key = `${name} ${zone}`;
    const format = made.get(key) ?? new Intl.DateTimeFormat(locale, { ...parts, timeZone: zone });
    made.set(key, format);
    return format;
  };
  const shown =
    (name: string, parts: Parts) =>
    (at: Date, zone: string): string =>
      plain(by(name, parts, zone).format(at));
  const shortDay = shown('short', { month: 'short', day: 'numeric' });
  const longDay = shown('long', { month: 'short', day: 'numeric', year: 'numeric' });
  const month = shown('month', { month: 'short', year: 'numeric' });
  const numeric = shown('numeric', { month: 'numeric', day: 'numeric', year: 'numeric' });
  const numericShort = shown('numericShort', { month: 'numeric', day: 'numeric' });
  const weekday = shown('weekday', { weekday: 'short', month: 'short', day: 'numeric' });
  const time = shown('time', hours);
  const sum = (options: Intl.NumberFormatOptions) => new Intl.NumberFormat(locale, options);
  const dollars = { style: 'currency', currency: 'USD', currencyDisplay: 'narrowSymbol' } as const;
  const [number, whole, cents, short, percent] = [
    sum({}),
    sum({ ...dollars, maximumFractionDigits: 0 }),
    sum(dollars),
    sum({ ...dollars, notation: 'compact', minimumFractionDigits: 0, maximumFractionDigits: 1 }),
    sum({ style: 'percent' }),
  ];
  return {
    locale,
    clock,
    weekStart: firstDay,
    time,
    clockTime: (text) => {
      const at = new Date(`2000-01-01T${text}:00Z`);
      return Number.isNaN(at.getTime()) ? text : time(at, 'UTC').replace(/:00(?= )/, '');
    },
    shortDay,
    weekday,
    dayAndTime: (at, zone) => `${weekday(at, zone)}, ${time(at, zone)}`,
    longDay,
    plainDay: (day) => ofPlainDay(day, { full: longDay, month, yearless: shortDay }),
    numericDay: (day) => ofPlainDay(day, { full: numeric, month, yearless: numericShort }),
    number: (value) => number.format(value),
    count: (value, one, many) => `${number.format(value)} ${value === 1 ? one : many}`,
    money: (value, withCents = false) => plain((withCents ? cents : whole).format(value)),
    shortMoney: (value) => plain(short.format(value)),
    percent: (share) => plain(percent.format(share)),
    weekdays: weekFrom(locale, firstDay),
  };
}

/** A week that begins on `first`. */
function weekFrom(locale: Locale, first: number): Weekday[] {
  const name = (day: number, weekday: 'short' | 'long') =>
    /* January 1, 2001 was a Monday. */
    new Intl.DateTimeFormat(locale, { weekday, timeZone: 'UTC' }).format(new Date(Date.UTC(2001, 0, day)));
  return Array.from({ length: 7 }, (_, n) => {
    const day = ((first - 1 + n) % 7) + 1;
    return { day, short: name(day, 'short'), long: name(day, 'long') };
  });
}

type Shown = (at: Date, zone: string) => string;
function ofPlainDay(day: string, { full, month, yearless }: { full: Shown; month: Shown; yearless: Shown }): string {
  const found = /^(?:(\d{4})-|--?)(\d\d)(?:-?(\d\d))?$/.exec(day);
  if (!found) return day;
  const [, year, of, on] = found;
  /* A leap year, so that 29 February is a day of it. */
  const at = new Date(`${year ?? '2000'}-${of}-${on ?? '01'}T12:00:00Z`);
  if (Number.isNaN(at.getTime())) return day;
  return (year === undefined ? yearless : on === undefined ? month : full)(at, 'UTC');
}
