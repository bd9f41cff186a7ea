/** Where a home stands and what number its listing has, in running text. */
import { monthOf } from '../days';
import { STATES, sumsIn } from '../values';
import { CAP } from './patterns';

const NO_STREET =
  /^(?:(?:schlaf|bade)?zimmern?|bäder|wohn(?:ung|zimmer)|personen|kinder|jahre?|monate?|tage|uhr|bed(?:room)?s?|bath(?:room)?s?|dollars?|euros?|transcript|min(?:ute)?s?|leads?|clicks?|views?|impressions?|visit(?:or)?s?|listings?|homes?)(?!\p{L})/iu;
const PARTICLE = '(?:du|des?|la|les?|del|della|di|da|dos?|van|von|der|den)';
const ADDRESS = new RegExp(
  `(?<![\\d$€£.,/:-]|\\d[ )])\\b([1-9]\\d{0,4}[A-Za-z]?)\\s+((?:(?:rue|quai|avenue|boulevard|chemin|place)\\s|${CAP}\\s?)(?:(?:${PARTICLE}\\s+){0,2}${CAP}\\s?){0,5})(?:,\\s*((?:${CAP}\\s?){1,3})(?=[\\s,.!?)]|$))?(?:,?\\s*(?:[A-Z]{2}\\s+)?(\\d{5})(?!\\d))?`,
  'gu',
);
/** Where the number stands behind the street: `Deichweg 4, Petrel Point`, `Calle del Faro 12`. */
const STREET_FIRST = new RegExp(
  `(?<!\\p{L})(\\p{Lu}\\p{Ll}+(?:straße|strasse|str\\.|weg|gasse|allee|platz|ufer|damm|straat|laan|gracht|gata|gatan|vei|veien)|(?:Calle|Via|Rua|Avenida|Viale|Plaza|Piazza)\\s(?:(?:${PARTICLE}\\s+){0,2}${CAP}\\s?){1,4})\\s*,?\\s*(\\d{1,4}[a-z]?)(?![\\d\\p{L}])(?:,\\s*((?:${CAP}\\s?){1,3})(?=[\\s,.!?)]|$))?`,
  'u',
);
/** `5 winch road`, as a thumb writes it: a number, one word or two, and what a street is called. */
const SMALL_LETTERS =
  /(?<![\d$€£.,/:-]|\d[ )])\b([1-9]\d{0,4} (?:(?!minutes?|mins?|miles?|blocks?|houses?|doors?|acres?|bed\p{L}*|bath\p{L}*|down|the|from|of|an?|in|on|off|up|to|your|my|this|that|by)\p{L}{2,} ){1,2}(?:street|road|rd|lane|ln|avenue|ave|court|ct|drive|dr|terrace|circle|loop|boulevard|blvd|quay))(?!\p{L})/iu;
/** `I live at 30 Grebe Street`: that is not what they ask about. */
const OWN_STREET = /\b(?:i|we) (?:\p{L}+ )?(?:live|work|rent) (?:at|on|in)\s*$|\b(?:next to|across from|opposite|beside)\s*$/iu;
/** A postal address in running text. */
export function addressIn(text: string): string | null {
  const plain = text.replace(/\s+/g, ' ');
  const other = STREET_FIRST.exec(plain);
  for (const found of plain.matchAll(ADDRESS)) {
    const [, number, street, town, postal] = found;
    if (monthOf(street!.split(/[\s.,]/)[0]!) || NO_STREET.test(street!) || (street!.trim().length < 4 && !town)) continue;
    if (OWN_STREET.test(plain.slice(0, found.index))) continue;
    if (other && other.index < found.index) break;
    return [`${number} ${street!.trim()}`, [town?.trim(), postal].filter(Boolean).join(' ')].filter(Boolean).join(', ');
  }
  const small = other ? null : SMALL_LETTERS.exec(plain)?.[1];
  if (small) return small;
  return other && [`${other[1]!.trim()} ${other[2]}`, other[3]?.trim()].filter(Boolean).join(', ');
}

const LISTING_ID = new RegExp(
  `\\b(?!${STATES} \\d{5}\\b)(?!(?:NMLS|DRE|LIC|NPN|USD|CHF|EUR|GBP|CAD|AUD|NOK|SEK|DKK|PLN|CZK|MXN|BRL)\\b)([A-Z]{2,4}(?:-[A-Z])?[-/ ]\\d{3,7})\\b`,
  'u',
);
/** Plain digits are one only when they are called so. */
const CALLED_ID =
  /\b(?:(?:mls|listing|property|ref(?:erence)?)\.?\s*(?:(?:id|no\.?|number)\s*)?[#:]\s*|mls\s+(?:id\s+|no\.?\s+)?)(\d{4,10})\b/iu;
/** `per l'annuncio CM-2207`: what is called a listing right before it is one, also where its street is known. */
const OF_A_LISTING =
  /(?<!\p{L})(?:listing|property|home|house|annuncio|anuncio|annonce|anzeige|inserat|objekt|immobilie|inmueble|propiedad|immobile|bien|woning|aanbieding|bolig|annons|im[oó]vel|ofert\p{L}*|ogłoszeni\p{L}*|mls)(?:no\.?|nr\.?|n[.º°]|id|ref\.?|number|nummer|#|:|\s)*\(?([A-Z]{2,5}[-/ ]?\d{3,9})(?![\p{L}\d])/iu;
/** Plain digits, behind words that are said of listings alone. */
const COUNTED_LISTING =
  /(?<!\p{L})(?:listing|annuncio|anuncio|annonce|anzeige|inserat|objekt|woning|bolig|annons|mls)\s+(?:(?:no\.?|nr\.?|#)\s*)?(\d{4,10})(?=\s*(?:$|[,;)\n–-]))/iu;
export const numberOfListing = (text: string): string | null =>
  OF_A_LISTING.exec(text)?.[1] ?? COUNTED_LISTING.exec(text)?.[1] ?? null;

/** What is asked for a home: `listed at $639,000`. */
const ASKED =
  /\b(?:listed|offered|priced|advertised|on the market|asking|list price|asking price|price)(?: is| of)?(?: (?:at|for))?:?\s*(?=[$€£]|usd|\d)/giu;
export const priceAsked = (text: string): number | undefined =>
  [...text.matchAll(ASKED)]
    .map((found) => sumsIn(text.slice(found.index + found[0].length, found.index + found[0].length + 20))[0])
    .find((sum) => sum?.sure && sum.at <= 1)?.value;

/** The number of a listing in running text. */
export const listingIdIn = (text: string): string | null =>
  LISTING_ID.exec(text)?.[1]?.replace(/^(?:MLS|REF|NR|ID) (?=\d{4})/, '') ?? CALLED_ID.exec(text)?.[1] ?? null;
