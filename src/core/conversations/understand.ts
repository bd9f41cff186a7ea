/** What people mean by short answers, by rules: when they would move, sums, yes and no, towns, and that they want a person. What no rule reads is not understood, and a person takes over. */
import { DAY } from '../shared';

const NUMBER_WORDS: Record<string, number> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  couple: 2,
  few: 3,
  several: 6,
  half: 0.5,
};
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH_SAID = new RegExp(`\\b(${MONTHS.join('|')})(?:uary|ruary|ch|il|e|y|ust|t(?:ember)?|ober|ember)?\\b(?:\\s+(\\d{4}))?`);
/** The middle of each season, as a month from 0. */
const SEASONS: Record<string, number> = { spring: 3, summer: 6, autumn: 9, fall: 9, winter: 0 };
const DAYS_OF: Record<string, number> = { day: 1, week: 7, month: 30, year: 365 };

/** When somebody means to move, as they said it. */
export interface MoveTiming {
  /** Days from now, about; null when they have no date at all. */
  days: number | null;
}

/** @returns null when it says nothing of a time */
export function understandWhen(text: string, now: Date): MoveTiming | null {
  const lower = text.toLowerCase().replace(/[’]/g, "'");
  if (
    /\b(?:asap|as soon as|right away|immediately|now|today|this week|yesterday|soon as possible|urgent(?:ly)?|ready)\b/.test(
      lower,
    ) &&
    !/\b(?:not|n't) (?:right )?now\b/.test(lower)
  )
    return { days: 7 };
  const span =
    /\b(?:in|within|about|around|after|next|maybe|another)?\s*(?:the next\s+)?(\d{1,2}|half an?|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|couple(?: of)?|few|several)(?:\s*(?:-|to|or)\s*(\d{1,2}|two|three|four|five|six|seven|eight|nine|ten|twelve))?\s*(?:of\s+)?(day|week|month|year)s?\b/.exec(
      lower,
    );
  if (span) {
    const count = (word: string): number =>
      Number(word) || (word.startsWith('half') ? 0.5 : (NUMBER_WORDS[word.split(' ')[0]!] ?? 1));
    const from = count(span[1]!);
    const to = span[2] ? count(span[2]) : from;
    return { days: Math.round(((from + to) / 2) * DAYS_OF[span[3]!]!) };
  }
  const month = MONTH_SAID.exec(lower);
  if (
    month &&
    !(
      month[1] === 'may' &&
      !/\b(?:in|by|until|before|after|early|late|mid|end of|around)\s+may\b|^may\b(?! (?:i|we|be))/.test(lower)
    )
  )
    return { days: daysUntilMonth(MONTHS.indexOf(month[1]!), now, month[2] ? Number(month[2]) : null) };
  const season = /\b(?:(next|this|the)\s+)?(spring|summer|autumn|fall|winter)\b/.exec(lower);
  if (season) return { days: daysUntilMonth(SEASONS[season[2]!]!, now, null) };
  if (/\bnext month\b/.test(lower)) return { days: 30 };
  if (/\bnext week\b/.test(lower)) return { days: 7 };
  if (/\bnext year\b/.test(lower))
    return { days: Math.max(60, Math.round((Date.UTC(now.getUTCFullYear() + 1, 4, 1) - now.getTime()) / DAY)) };
  if (/\b(?:this|end of (?:the|this)) year\b/.test(lower))
    return { days: Math.max(14, Math.round((Date.UTC(now.getUTCFullYear(), 11, 31) - now.getTime()) / DAY)) };
  if (
    /\b(?:no (?:hurry|rush|date|idea|plans?)|not sure|don't know|dunno|just (?:looking|browsing|curious)|some ?day|eventually|undecided|whenever|not (?:yet|(?:right )?now|any ?time soon))\b/.test(
      lower,
    )
  )
    return { days: null };
  return null;
}
function daysUntilMonth(month: number, now: Date, year: number | null): number {
  const at = (of: number) => Date.UTC(of, month, 15);
  const target = year ?? (at(now.getUTCFullYear()) >= now.getTime() - 15 * DAY ? now.getUTCFullYear() : now.getUTCFullYear() + 1);
  return Math.max(7, Math.round((at(target) - now.getTime()) / DAY));
}

/** The horizon of a time: within three weeks hot, four months warm, a year and a bit nurture. */
export const horizonOf = ({ days }: MoveTiming): 'hot' | 'warm' | 'nurture' | 'someday' =>
  days === null ? 'someday' : days <= 21 ? 'hot' : days <= 120 ? 'warm' : days <= 400 ? 'nurture' : 'someday';

/** A price range as somebody said it. */
export interface Sums {
  min: number | null;
  max: number | null;
}
/** Below this, a bare number about a home means thousands: “400” is 400,000. */
const THOUSANDS_BELOW = 5_000;

/** Whole units of the currency. @returns null when it names no sum */
export function understandSum(text: string): Sums | null {
  const lower = text.toLowerCase().replace(/(\d),(?=\d{3})/g, '$1');
  const sums: number[] = [];
  let last = 1;
  const found = [...lower.matchAll(/\$?\s*(\d+(?:\.\d+)?)\s*(k\b|thousand\b|grand\b|m\b|mil\b|million\b)?/g)];
  /* “300 to 400k”: the unit of the last holds for those before it. */
  for (const [, digits, unit] of found.reverse()) {
    const value = Number(digits);
    const by = unit ? (unit.startsWith('m') ? 1_000_000 : 1_000) : value < THOUSANDS_BELOW ? (last > 1 ? last : 1_000) : 1;
    if (unit) last = by;
    if (value > 0) sums.unshift(value * by);
  }
  if (/\bhalf a million\b/.test(lower)) sums.push(500_000);
  else if (/\b(?:a|one) million\b/.test(lower) && !sums.length) sums.push(1_000_000);
  const real = sums.filter((sum) => sum >= 10_000 && sum <= 100_000_000);
  if (!real.length) return null;
  if (real.length >= 2) return { min: Math.min(...real), max: Math.max(...real) };
  const [sum] = real as [number];
  if (/\b(?:at least|from|over|above|more than|minimum|starting)\b/.test(lower)) return { min: sum, max: null };
  return { min: null, max: sum };
}

/** @returns null when it is neither */
export function understandYesNo(text: string): boolean | null {
  const lower = text.toLowerCase().replace(/[’]/g, "'").trim();
  if (
    /^(?:n|no|nope|nah|not yet|none|never|negative)\b|\b(?:not yet|haven't|have not|don't|do not|no agent|nobody|not working with|not pre-?approved|need to|still need|cash no)\b/.test(
      lower,
    )
  )
    return false;
  if (
    /^(?:y|yes|yep|yeah|yup|sure|of course|correct|absolutely|we do|we have|i do|i have|i am|we are)\b|\b(?:pre-?approved|pre-?qualified|paying cash|cash buyer|already (?:have|working)|got one|have (?:an agent|a lender|one))\b/.test(
      lower,
    )
  )
    return true;
  return null;
}

/** The towns of a list that a text names, whatever the capitals. */
export function understandTowns(text: string, towns: readonly string[]): string[] {
  const plain = ` ${text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ')} `;
  return towns.filter((town) =>
    plain.includes(
      ` ${town
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, ' ')
        .trim()} `,
    ),
  );
}
/** Any of them will do. */
export const anywhere = (text: string): boolean =>
  /\b(?:any ?where|everywhere|all of them|any of (?:them|those)|no preference|don[’']?t care|open to (?:any|all))\b/i.test(text);

/** They ask for a person, or whether there is one. */
export const wantsHuman = (text: string): boolean =>
  /\b(?:real person|human|somebody real|someone real|an? (?:actual )?person|speak (?:to|with)|talk to (?:somebody|someone|an? )|call me|ring me|phone me|(?:is this|are you|am i (?:talking|texting) (?:to|with)) an? (?:bot|robot|machine|computer|ai|person|human|real)|robot|chat ?bot|no bots?)\b/i.test(
    text,
  );
