/** A name as it was written down, taken apart: one person or two, a family, a company, or nobody. */
import { NAME_PARTICLES } from '../shared';

/** One person of a name; each part folded, words apart by a blank, empty where nothing is said. */
export interface NamedPerson {
  given: string;
  family: string;
  /** `jr`, `sr`, `2`, `3` … */
  generation: string;
  /** `mr` or `ms`, where somebody is called so and not otherwise. */
  title: string;
  /** What they are called by, where it stands in brackets or quotation marks. */
  called: string[];
}

/** What was written: people, or a household of a name, or a company; `nobody` where it names none. */
export type WrittenName =
  | { kind: 'nobody' }
  | { kind: 'people'; people: NamedPerson[] }
  | { kind: 'family'; family: string }
  | { kind: 'company'; name: string };

const MOST = 200;
const LETTERS: Record<string, string> = { ß: 'ss', ø: 'o', ł: 'l', đ: 'd', ı: 'i', æ: 'ae', œ: 'oe', þ: 'th', ð: 'd' };
/** A name for comparing: small letters without accents; marks other than letters part words, an apostrophe does not. */
export const foldedName = (text: string): string =>
  text
    .slice(0, MOST)
    .normalize('NFKD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase()
    .replace(/[ßøłđıæœþð]/g, (letter) => LETTERS[letter]!)
    .replace(/['’ʼ`]/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** What people write who name nobody. */
const NOBODY = new Set(
  'a an the my new unknown anonymous guest visitor user client customer contact person name noname no none null nil na n x xx xxx test lead buyer seller owner renter tenant prospect resident occupant current homeowner home unnamed tbd'.split(
    ' ',
  ),
);
const TITLES: Record<string, string> = {
  ...Object.fromEntries(['mr', 'mister', 'sir', 'herr', 'sr.'].map((word) => [word, 'mr'])),
  ...Object.fromEntries(['mrs', 'ms', 'miss', 'frau', 'mme', 'sra', 'srta'].map((word) => [word, 'ms'])),
  ...Object.fromEntries(
    ['mx', 'dr', 'doctor', 'prof', 'professor', 'rev', 'reverend', 'rabbi', 'atty', 'hon'].map((word) => [word, '']),
  ),
};
const GENERATIONS: Record<string, string> = { jr: 'jr', junior: 'jr', sr: 'sr', senior: 'sr', ii: '2', iii: '3', iv: '4' };
/** What stands behind a name and is no part of it. */
const BEHIND = new Set('phd md dds esq cpa rn jd mba realtor broker agent'.split(' '));
const LEGAL = new Set('llc inc corp corporation ltd limited lp llp plc gmbh co incorporated'.split(' '));
const COMPANY =
  /\b(?:llc|inc|corp|corporation|ltd|llp|lp|plc|gmbh|incorporated|company|partners|holdings|properties|realty|escrow|mortgage|bank|trust|estate|associates|group|church|school|foundation)\b/;
const PARTICLES = new Set([...NAME_PARTICLES, 'mac', 'mc', 'o']);
const AND = /\s*[&+/]\s*|\s+(?:and|und|y|et)\s+/i;

/** @param text a whole name, in any order and script */
export function writtenName(text: string): WrittenName {
  const short = text
    .slice(0, MOST)
    .replace(/\S+@\S+/g, ' ')
    .replace(/[+(]?\d[\d().-]{4,}/g, ' ');
  const plain = foldedName(short);
  const words = plain.split(' ');
  if (!plain || words.every((word) => NOBODY.has(word))) return { kind: 'nobody' };
  if (/^(?:the )?.+ (?:family|household)$/.test(plain))
    return { kind: 'family', family: plain.replace(/^the | (?:family|household)$/g, '') };
  if (/^the \S+s$/.test(plain)) return { kind: 'family', family: plain.slice(4, -1) };
  if (COMPANY.test(foldedName(short.replace(/\./g, '')))) return { kind: 'company', name: companyOf(short) };
  const called = calledIn(short);
  const people = couple(withoutAsides(short)).map((one, at) => (at ? one : { ...one, called }));
  const known = people.filter(({ given, family }) => given || family);
  if (!known.length) return { kind: 'nobody' };
  return known.length > 1 && known.every(({ given }) => !given)
    ? { kind: 'family', family: known[0]!.family }
    : { kind: 'people', people: known };
}

const companyOf = (text: string): string =>
  foldedName(text.replace(/\./g, ''))
    .split(' ')
    .filter((word) => !LEGAL.has(word) && word !== 'the')
    .join(' ');

const withoutAsides = (text: string): string => text.replace(/\([^()]{0,60}\)|["“”«»][^"“”«»]{0,60}["“”«»]/g, ' ');
/** `Wilhelmina (Mina) Frost`: what stands in brackets or quotation marks. */
const calledIn = (text: string): string[] =>
  [...text.matchAll(/[(["“«]([^()[\]"“”«»]{1,60})[)\]"”»]/g)]
    .map(([, name]) => foldedName(name!))
    .filter((name) => name && !name.split(' ').every((word) => NOBODY.has(word)));

/** `Lorcan & Ursula Cinderford`, `Osierby, Harriet and George`: each with the family name they share. */
function couple(text: string): NamedPerson[] {
  const comma = /^([^,]+),\s*(\S.*)$/.exec(text);
  const behind = comma ? foldedName(comma[2]!) : '';
  const swapped = comma && behind && !behind.split(' ').every((word) => BEHIND.has(word) || word in GENERATIONS);
  const halves = (swapped ? comma[2]! : text).split(AND).filter((half) => foldedName(half));
  const people = halves.slice(0, 2).map((half) => person(half, swapped ? foldedName(comma[1]!) : null));
  const shared = people.map(({ family }) => family).find(Boolean) ?? '';
  return people.map((one) => (people.length === 2 && !one.family ? { ...one, family: shared } : one));
}

function person(text: string, family: string | null): NamedPerson {
  const found: NamedPerson = { given: '', family: family ?? '', generation: '', title: '', called: [] };
  const words = initialsApart(text)
    .split(' ')
    .filter((word) => word && !BEHIND.has(word));
  while (words.length && words[0]! in TITLES) found.title ||= TITLES[words.shift()!]!;
  while (words.length > 1 && words.at(-1)! in GENERATIONS) found.generation = GENERATIONS[words.pop()!]!;
  const generation = found.family.split(' ').at(-1)!;
  if (found.family.includes(' ') && generation in GENERATIONS) {
    found.generation = GENERATIONS[generation]!;
    found.family = found.family.slice(0, -generation.length).trim();
  }
  if (family !== null) return { ...found, given: words.join(' ') };
  if (words.length === 1 && found.title) return { ...found, family: words[0]! };
  let at = words.length - 1;
  while (at > 1 && PARTICLES.has(words[at - 1]!)) at -= 1;
  return at > 0
    ? { ...found, given: words.slice(0, at).join(' '), family: words.slice(at).join(' ') }
    : { ...found, given: words[0] ?? '' };
}

/** `JR Westing` is J. R. Westing, where the rest is not in capitals. */
const initialsApart = (text: string): string =>
  foldedName(/\p{Ll}/u.test(text) ? text.trim().replace(/^(\p{Lu})(\p{Lu})(?=\s)/u, '$1 $2') : text);
