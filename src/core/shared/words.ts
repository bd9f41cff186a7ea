/** Words that every sentence needs. */

/** `choir, garden and rowing club`; empty for none. @param last what stands before the last one */
export const listed = (names: readonly string[], last = 'and'): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;

/** Small words before a last name that belong to it and keep their small letters. */
export const NAME_PARTICLES = 'van von der den de da di du la le af av bin al el ten ter del della dos zu dela delos'.split(' ');

/** A text, or anything JSON holds, that stands by itself: a piece cut from a larger text keeps all of that text in memory for as long as it is kept. */
export const ownCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** A name as programs outside write it: `firstName` → `first_name`. */
export const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** An object with its own names as programs outside write them; what stands below is as it is. */
export const snaked = (object: object): Record<string, unknown> =>
  Object.fromEntries(Object.entries(object).map(([name, value]) => [snake(name), value]));
/** Words with a capital in front. */
export const capitalized = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

const SINGULAR: [RegExp, string][] = [
  [/^are /, 'is '],
  [/^have /, 'has '],
  [/^haven’t /, 'hasn’t '],
  [/^were /, 'was '],
  [/^go /, 'goes '],
  [/^(get|lose|move|become|belong|need|wait) /, '$1s '],
];
/** What several do, as one does: `are archived`, `is archived`. */
export const inSingular = (words: string): string => SINGULAR.reduce((text, [many, one]) => text.replace(many, one), words);

/** Letters and digits only, lower case, without accents: for comparing what people wrote. */
export const folded = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** The first letters of the first two names. */
export const initialsOf = (name: string): string =>
  name
    .trim()
    .split(/\s+/)
    .slice(0, 2)
    .map((word) => [...word][0])
    .join('');
