/**
 * Cleaning what people and machines type: names, e-mail addresses, phone numbers. The raw text is kept elsewhere; what
 * comes out of here is what contacts are matched by.
 */
import { parsePhoneNumberFromString } from 'libphonenumber-js';
import { NAME_PARTICLES } from '../shared';

const PARTICLES = new Set([...NAME_PARTICLES, 'of', 'y', 'e']);
const INVISIBLE = /[\u0000-\u001f\u007f\u200b\u2028\u2029\ufeff]/g;

/** One line: no control characters, runs of white space folded. Right-to-left text, emoji and markup stay as given. */
export const oneLine = (text: string): string => text.replace(INVISIBLE, ' ').replace(/\s+/g, ' ').trim();

const capital = (word: string): string => word.replace(/^\P{L}*\p{L}/u, (start) => start.toUpperCase());

function caseWord(word: string, first: boolean): string {
  const lower = word.toLowerCase();
  if (!first && PARTICLES.has(lower)) return lower;
  return lower
    .split(/(?<=[-'’])/u)
    .map(capital)
    .join('')
    .replace(/^Mc(\p{Ll})/u, (_, letter: string) => `Mc${letter.toUpperCase()}`);
}

/**
 * A name in its usual case. Only names typed wholly in capitals or wholly in small letters are changed: somebody who
 * typed `DiMarco` or `van der Berg` knew how. What is no name (markup, a formula, an address) stays as it came.
 *
 * @example cleanName('ODA BRANDVOLD') // 'Oda Brandvold'
 */
export function cleanName(name: string): string {
  const text = oneLine(name);
  const letters = [...text].filter((sign) => sign.toLowerCase() !== sign.toUpperCase()).join('');
  if (letters.length < 2 || /[<>={}[\]"@/\\]/.test(text)) return text;
  const shouted = letters === letters.toUpperCase() && letters !== letters.toLowerCase();
  const mumbled = letters === letters.toLowerCase() && letters !== letters.toUpperCase();
  if (!shouted && !mumbled) return text;
  return text
    .split(' ')
    .map((word, at) => caseWord(word, at === 0 && !PARTICLES.has(word)))
    .join(' ');
}

/** An e-mail address in the form contacts are matched by: trimmed, without `mailto:`, lower case. Null when it is none. */
export function cleanEmail(raw: string): string | null {
  const text = oneLine(raw)
    .replace(/^mailto:/i, '')
    .replace(/^<|>$/g, '')
    .toLowerCase();
  if (text.length > 254) return null;
  return /^[^\s@"(),:;<>[\]\\]{1,64}@(?:[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z][a-z0-9-]{1,62}$/u.test(text) &&
    !text.includes('..')
    ? text
    : null;
}

/** A number of North America in full, which is E.164 already; finding out of which of its twenty countries takes the library longest of all. */
const NORTH_AMERICAN = /^\+1[2-9]\d{9}$/;

/** A phone number in E.164, read as a number of `country` when it has no international prefix. Null when it is none. */
export function cleanPhone(raw: string, country: 'US' | 'CA' = 'US'): string | null {
  const text = oneLine(raw).replace(/^tel:/i, '');
  if (NORTH_AMERICAN.test(text)) return text;
  if (text.length > 40 || text.replace(/\D/g, '').length > 20) return null;
  const parsed = parsePhoneNumberFromString(text, { defaultCountry: country, extract: false });
  return parsed?.isPossible() ? parsed.number : null;
}
