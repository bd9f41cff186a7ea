/** Names of one person or of two in one cell: `Last, First`, `First Last`, `First & First Last`, with titles and suffixes. */
import { NAME_PARTICLES } from '../shared';

/** A name as it was read, with a partner's. */
export interface NameRead {
  first: string;
  last: string;
  partner: { first: string; last: string } | null;
}

const TITLES =
  /^(?:(?:mr|mrs|ms|miss|mx|dr|prof|professora?|doctor|atty|attorney|rabbi|rev|sir|herr|frau|sr|sra|srta|mme|mlle)\.?\s+)+/i;
const SUFFIXES = /[,\s]+(?:jr|sr|ii|iii|iv|phd|ph\.d|md|m\.d|esq|cpa)\.?$/i;
const PARTICLES = new Set([...NAME_PARTICLES, 'mac', 'st', 'st.']);
/** Words behind a Portuguese family name that tell a grandson, son or nephew; they are part of it. */
const KIN = /^(?:neto|filho|j[uú]nior|sobrinho|netto)$/iu;
const AND = /\s*(?:&|\+|\/)\s*|\s+(?:and|und|y|et|e)\s+/i;

/** Titles before and suffixes after a name, taken off. A name that is nothing but a title stays. */
export function plainName(text: string): string {
  const short = text.trim().replace(TITLES, '').replace(SUFFIXES, '').trim();
  return short || text.trim();
}

/** First and last of a name in the order in which people say it; particles go with the last name. */
function inOrder(text: string): { first: string; last: string } {
  const words = plainName(text).split(/\s+/);
  if (words.length === 1) return { first: words[0]!, last: '' };
  let at = words.length - 1;
  if (at > 1 && KIN.test(words[at]!)) at -= 1;
  while (at > 1 && PARTICLES.has(words[at - 1]!.toLowerCase())) at -= 1;
  return { first: words.slice(0, at).join(' '), last: words.slice(at).join(' ') };
}

/**
 * A whole name in one cell.
 *
 * @example readName('Osierby, Anselm') // first Anselm, last Osierby
 * @example readName('Lorcan & Ursula Cinderford') // Lorcan Cinderford, with Ursula Cinderford as partner
 */
export function readName(cell: string): NameRead {
  const text = cell.trim().replace(/[ \u00a0]+/g, ' ');
  const withoutSuffix = text.replace(SUFFIXES, '');
  const comma = withoutSuffix.indexOf(',');
  if (comma > 0) {
    const last = plainName(withoutSuffix.slice(0, comma));
    const [mine, other] = couple(withoutSuffix.slice(comma + 1));
    if (!mine) return { first: '', last, partner: null };
    return { first: plainName(mine), last, partner: other ? { first: plainName(other), last } : null };
  }
  const [mine, other] = couple(text);
  if (!other) return { ...inOrder(mine!), partner: null };
  const second = inOrder(other);
  const first = plainName(mine!);
  if (/^(?:mr|mrs|ms|dr)\.?$/i.test(first)) return { ...second, partner: null };
  if (!first.includes(' ')) return { first, last: second.last, partner: second };
  return { ...inOrder(mine!), partner: second.last ? second : { first: second.first, last: inOrder(mine!).last } };
}

function couple(text: string): [string | undefined, string | undefined] {
  const parts = text.split(AND).map((part) => part.trim());
  return parts.length === 2 && parts[0] && parts[1] && /\p{L}/u.test(parts[1]) ? [parts[0], parts[1]] : [text.trim(), undefined];
}

/** A first name that holds two people: `Lorcan & Ursula`. */
export function readFirst(cell: string): { first: string; partner: string | null } {
  const [mine, other] = couple(cell);
  return other && mine ? { first: mine, partner: other } : { first: cell.trim(), partner: null };
}
