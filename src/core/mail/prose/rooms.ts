/** How many bedrooms and bathrooms somebody looks for, in figures or in words of several languages. */
import type { MailWants } from '../mail';

const WORD_NUMBERS: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  un: 1,
  una: 1,
  dos: 2,
  tres: 3,
  cuatro: 4,
  ein: 1,
  zwei: 2,
  drei: 3,
  vier: 4,
  deux: 2,
  trois: 3,
  quatre: 4,
  due: 2,
  tre: 3,
  quattro: 4,
  twee: 2,
  drie: 3,
  vijf: 5,
  dois: 2,
  duas: 2,
  três: 3,
  quatro: 4,
  cinco: 5,
  cinq: 5,
  cinque: 5,
  fünf: 5,
  två: 2,
  fyra: 4,
  fire: 4,
  fem: 5,
};
const COUNT = `(\\d{1,2}(?:[.,]\\d)?|${Object.keys(WORD_NUMBERS).join('|')})`;
const BEDS = new RegExp(
  `\\b${COUNT}(?:\\s*\\+)?[\\s-]*(?:or more\\s+)?(?:bd|bds|beds?|br|bedrooms?|bdrms?|dormitorios?|habitaciones|recámaras|schlafzimmern?|chambres?|camere(?: da letto)?|slaapkamers|soverom|sovrum|quartos|dormit[oó]rios|pokoj\\p{L}*)(?!\\p{L})`,
  'iu',
);
const BATHS = new RegExp(
  `\\b${COUNT}(?:\\s*\\+)?[\\s-]*(?:or more\\s+)?(?:ba|baths?|bathrooms?|baños|badezimmern?|salles? de bains?|bagni|badkamers|banheiros|casas de banho)(?!\\p{L})`,
  'iu',
);
/** `To soverom` are two in Norway and Denmark; in English it is no number. */
const NORDIC_TWO = /\bto (?=(?:soverom|sove?værelser|værelser)\b)/giu;
const counted = (whole: string, pattern: RegExp): number | undefined => {
  const found = pattern.exec(whole.replace(NORDIC_TWO, '2 '))?.[1];
  return found ? (WORD_NUMBERS[found.toLowerCase()] ?? Number(found.replace(',', '.'))) : undefined;
};

/** `A 3/2 in Quillhaven`: three bedrooms and two bathrooms. */
const BEDS_AND_BATHS = /\b(?:an?|any|nice|good|little|small)\s+([1-9])\/([1-9](?:\.5)?)(?![\d/])/iu;

/** Rooms in a value that is about them. */
export function roomsIn(value: string): Pick<MailWants, 'bedsMin' | 'bathsMin'> {
  const beds = counted(value, BEDS);
  const baths = counted(value, BATHS);
  return { ...(beds ? { bedsMin: beds } : {}), ...(baths ? { bathsMin: baths } : {}) };
}
/** Rooms in a sentence, said in short too. */
export function roomsInProse(text: string): Pick<MailWants, 'bedsMin' | 'bathsMin'> {
  const [, beds, baths] = BEDS_AND_BATHS.exec(text) ?? [];
  return { ...(beds ? { bedsMin: Number(beds), bathsMin: Number(baths) } : {}), ...roomsIn(text) };
}
