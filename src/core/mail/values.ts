/** What stands in a value: addresses, numbers, names, sums, yes and no, the property meant. Whatever cannot be one is none. */
import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js';
import { cleanEmail, cleanName, phoneOf, type Phone } from '../capture';
import { readName, readPhones } from '../imports';

const NOTHING =
  /^\(?(?:none|n\/?a|not (?:given|provided|available|specified|set|stated)|unknown|unspecified|blank|empty|-+|—|\.+|null|undefined|nobody|anonymous(?: caller)?|wireless caller|not shown|withheld|restricted|not disclosed|unknown caller|private (?:caller|number)|unavailable|out of area|toll[- ]free call|keine?(?: angaben?)?|k\. ?a\.|unbekannt|nicht angegeben|ning[uú]n[oa]?|no (?:indicado|facilitado|disponible)|sin (?:especificar|datos)|non (?:renseigné|communiqué|indicato)|aucun|geen|niet ingevuld|ikke oppgitt)\)?\.?$/iu;
/** A value that says that there is none is none; what follows a smuggled line break is not of it. */
export function plainValue(value: string): string {
  const line = value.split(/%0[da]|[\r\n]/i)[0]!.trim();
  return NOTHING.test(line) ? '' : line;
}

/** Addresses as people write them for people: `zeb(at)tarrant.example`. */
const deciphered = (text: string): string =>
  text
    .replace(/\s*[([{<]\s*(?:at|@|arroba|ät|à|chez)\s*[)\]}>]\s*/gi, '@')
    .replace(/\s*[([{<]\s*(?:dot|punkt|punto|point)\s*[)\]}>]\s*/gi, '.');
const EMAIL = /(?<![\p{L}\p{N}._%+'-])[\p{L}\p{N}][\p{L}\p{N}._%+'-]{0,63}@(?:[\p{L}\p{N}-]{1,63}\.){1,8}\p{L}{2,24}/gu;

/** The e-mail addresses in a text, each once. */
export function emailsIn(text: string): string[] {
  const angled = [...text.matchAll(/<\s*([^<>\s@]+@[^<>\s]+)\s*>/g)].map(([, one]) => one!);
  const found = angled.length ? angled : (deciphered(text).match(EMAIL) ?? []);
  return [...new Set(found.map((one) => cleanEmail(one)).filter((one) => one !== null))];
}

const COUNTRIES: [RegExp, CountryCode][] = [
  [/germany|deutschland|alemania|allemagne/i, 'DE'],
  [/austria|österreich/i, 'AT'],
  [/switzerland|schweiz|suisse/i, 'CH'],
  [/france|frankreich|francia/i, 'FR'],
  [/\bspain|españa|spanien/i, 'ES'],
  [/m[eé]xico|mexiko/i, 'MX'],
  [/\bitaly|italia|italien/i, 'IT'],
  [/netherlands|niederlande|nederland|holland/i, 'NL'],
  [/united kingdom|great britain|england|\bUK\b|großbritannien/i, 'GB'],
  [/\bireland|irland/i, 'IE'],
  [/norway|norge|norwegen/i, 'NO'],
  [/sweden|sverige|schweden/i, 'SE'],
  [/denmark|danmark|dänemark/i, 'DK'],
  [/belgium|belgique|belgië|belgien/i, 'BE'],
  [/portugal/i, 'PT'],
  [/poland|polska|polen/i, 'PL'],
  [/brazil|brasil/i, 'BR'],
  [/australia/i, 'AU'],
  [/canada|kanada/i, 'CA'],
];
const DIGITS: Record<string, string> = {
  zero: '0',
  oh: '0',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
};
/** Three or more digits in words, one after the other, as digits. */
const WORDS = Object.keys(DIGITS).join('|');
const SPOKEN = new RegExp(`\\b((?:${WORDS})(?:[\\s,-]+(?:${WORDS})){2,})\\b(?:,(?=\\s*\\d{3}[ .-]\\d{4}))?`, 'gi');
const spoken = (text: string): string =>
  text
    .replace(SPOKEN, (_: string, words: string) =>
      words
        .split(/[\s,-]+/)
        .map((one) => DIGITS[one.toLowerCase()])
        .join(''),
    )
    .replace(/(?<=\b\d{3}),? (?:and )?then (?=\d)/gi, ' ');

/** No area of North America begins with 0 or 1: such a number is of another country, and the mail does not say which. */
const isDialled = ({ number }: Phone): boolean => !/^\+1[01]/.test(number);

/** The phone numbers of a value that is meant to be some, with their extensions. */
export function phonesOf(value: string): Phone[] {
  const text = spoken(value).replace(/(?<=\d)\s*\/\s*(?=\d)/g, (sign, at: number, whole: string) =>
    whole.slice(0, at).replace(/\D/g, '').length >= 10 ? ' ; ' : '-',
  );
  const country = COUNTRIES.find(([name]) => name.test(text))?.[1];
  if (country) {
    const number = parsePhoneNumberFromString(text.replace(/\([^)\p{L}]*\p{L}[^)]*\)|\p{L}+/gu, ' ').trim(), country);
    if (number?.isPossible()) return [{ number: number.number, extension: null }];
  }
  const found = readPhones(text.replace(/\s+\/\s+/g, ' ; ')).found.filter(isDialled);
  return found.length ? found : phonesIn(text);
}

const IN_TEXT =
  /(?<![\d$€£#/.-])(?:\+|00)?\(?\d[\d\s().\-–/]{6,20}\d(?:[\s,]*(?:ext\.?|extension|x|durchwahl)\s*\d{1,6})?(?![\d/])/giu;
/** The phone numbers in running text: of ten or more digits, or international. */
export function phonesIn(text: string): Phone[] {
  const found = new Map<string, Phone>();
  const words = spoken(text);
  for (const { 0: raw, index } of words.matchAll(IN_TEXT)) {
    if (/(?:^|[^\p{L}])(?:f|fax|telefax)\s*(?:[.:]\s*)?$/iu.test(words.slice(Math.max(0, index - 10), index))) continue;
    /* `070 123 45 67 (Sverige)`: only the country makes it complete. */
    const country = /^\s*\(([^)\d]{2,30})\)/.exec(words.slice(index + raw.length))?.[1];
    const abroad = country ? phonesOf(`${raw} ${country}`) : [];
    if (abroad.length && COUNTRIES.some(([name]) => name.test(country!))) {
      found.set(abroad[0]!.number, abroad[0]!);
      continue;
    }
    const digits = raw.replace(/(?:ext|x|durchwahl).*$/i, '').replace(/\D/g, '').length;
    if (digits < 10 || digits > 15) continue;
    const phone = phoneOf(raw.replace(/(?<=\d)\/(?=\d)/g, '-'));
    if (phone && isDialled(phone) && !found.has(phone.number)) found.set(phone.number, phone);
  }
  return [...found.values()];
}

/** A name found in a text. */
export interface NameFound {
  first: string | null;
  last: string | null;
  partner: { first: string; last: string } | null;
}
/** Words that no person is called by and that stand where names do. */
const NO_NAME =
  /\b(?:team|homes?|realty|group|inc|llc|gmbh|support|form|website|customer|service|sales|crew|desk|notifications?|mail(?:er)?|properties|immobilien|system|phone|voice-?mail|portal|classifieds|herald|gazette|courant|tribune|weekly|journal|bridge|chat|bot|questions?|deposit|inquiry|enquiry|request|security|magazine|bulletin|app|widget|leads?|alerts?|forms?|loans?|mortgages?|lending|insurance|escrow|llp|pllc|realtors|parish|library)\b/iu;

const TITLED = /^(?:dr|mrs?|ms|mx|prof|herr|frau|sra?|srta|mme|mlle|sig(?:ra)?|ing)\.\s+/iu;

/** In scripts of East Asia the name of the family stands first. */
const FAMILY_FIRST =
  /^([\p{Script=Han}\p{Script=Hangul}]{1,4})\s+([\p{Script=Han}\p{Script=Hangul}\p{Script=Hiragana}\p{Script=Katakana}]{1,6})$/u;

/** Families of two signs, where a name is written without a space. */
const TWO_SIGNS = /^(?:남궁|황보|선우|독고|제갈|사공|서문|欧阳|歐陽|司马|司馬|上官|诸葛|諸葛|司徒|慕容|皇甫)/u;
/** The name of somebody whose family stands first: with a space, or as its signs are usually divided. */
function familyFirst(name: string): NameFound | null {
  const text = name.replace(/\s*(?:様|さん|殿|先生|女士|小姐|님|씨)$/u, '');
  const spaced = FAMILY_FIRST.exec(text);
  if (spaced) return { first: spaced[2]!, last: spaced[1]!, partner: null };
  if (!/^(?:\p{Script=Hangul}{2,5}|\p{Script=Han}{2,4})$/u.test(text)) return null;
  const two = TWO_SIGNS.test(text) || (text.length === 4 && /^\p{Script=Han}/u.test(text));
  const family = two && text.length > 2 ? 2 : 1;
  return { first: text.slice(family), last: text.slice(0, family), partner: null };
}

/** Whether words are those of a firm or a desk rather than of a person. */
export const isFirm = (text: string): boolean => NO_NAME.test(text);
/** What somebody does, behind their name: `Salome Pruitt, Asset Manager`. */
const JOB =
  /\s*,\s*(?:\p{L}+\s+){0,3}(?:manager|director|officer|owner|assistant|coordinator|specialist|attorney|president|partner|administrator|trustee|executor|counsel(?:or)?|supervisor|ceo|vp)\s*$/iu;
/** A value as the name of a person; null when it cannot be one. */
export function personName(value: string): NameFound | null {
  const text = plainValue(value)
    .replace(JOB, '')
    .replace(/<[^>]*>/g, ' ')
    .replace(/["“”„«»][^"“”„«»]*["“”„«»]/g, ' ')
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const words = text.split(' ');
  if (!text || text.length > 80 || words.length > 7 || /[\d@:;=/\\<>{}[\]?!]/u.test(text) || !/\p{L}/u.test(text)) return null;
  if (/\.\s+\p{Ll}/u.test(text.replace(TITLED, '')) || (words.length > 3 && /^\p{Ll}/u.test(text) && text === text.toLowerCase()))
    return null;
  const eastern = familyFirst(text);
  if (eastern) return eastern;
  const read = readName(cleanName(text));
  return { first: read.first || null, last: read.last || null, partner: read.partner };
}
/** What somebody is stands behind their name: `Harriet Lindgren, HR`. */
const OFFICE = /\s*,\s*(?:\p{Lu}{2,5}|Ph\.?D\.?|Esq\.?|M\.?D\.?|R\.?N\.?)\s*$/u;
/** `Lottie from PixelShots`. */
const OF_A_FIRM = /\s+(?:from|at|@)\s.*$|(?<=\S \S+)\s+[|–—]\s.*$/u;
/** The sender's name as that of a person; null for what is rather a company or a machine. */
export const senderName = (display: string): NameFound | null =>
  NO_NAME.test(display) || /&|^the /i.test(display) ? null : personName(display.replace(OFFICE, '').replace(OF_A_FIRM, ''));

/** An amount of money found in a text. */
export interface Sum {
  value: number;
  /** With a sign or word of money, or a word of scale. */
  sure: boolean;
  /** It is paid every month. */
  monthly: boolean;
  at: number;
}
const SUM =
  /((?:us|ca)?\s?[$€£]|usd|eur|gbp)?\s*(\d{1,3}(?:[.,'’ ]\d{3})+(?!\d)|\d+(?:[.,]\d{1,2})?)\s*(k|m|mm|mio|mill?ion(?:en|es)?|thousand|tsd|tausend|mil|万|萬|만)?(?![\p{Script=Latin}\p{Script=Cyrillic}\p{Script=Greek}\d])\s*(usd|eur|gbp|dollars?|dolar\p{L}*|d[oóò]l(?:are|ar)s|dollari|доллар\p{L}*|долар\p{L}*|دولار|ドル|美元|달러|€|\$|pesos)?/giu;
const MONTHLY = /^\s*(?:(?:a|per|al|pro|im|por|par|per)\s+(?:month|mo|mes|mois|monat|m[eê]s|mese|maand)|\/\s*mo|شهري)/iu;
/** The sums of money in a text. A point or comma before three digits separates thousands. */
export function sumsIn(text: string): Sum[] {
  const sums: (Sum & { scale: number })[] = [];
  for (const found of text.matchAll(SUM)) {
    const [, sign, digits, scaled, currency] = found;
    const plain = /[.,'’ ]\d{3}/.test(digits!) ? Number(digits!.replace(/[.,'’ ]/g, '')) : Number(digits!.replace(',', '.'));
    const monthly = MONTHLY.test(text.slice(found.index + found[0].length));
    const scale = !scaled
      ? 1
      : /^(?:k|thousand|tsd|tausend|mil)$/i.test(scaled)
        ? 1_000
        : /^[万萬만]$/u.test(scaled)
          ? 10_000
          : 1_000_000;
    sums.push({
      value: Math.round(plain * scale * 100) / 100,
      sure: Boolean(sign || scaled || currency || monthly),
      monthly,
      at: found.index,
      scale,
    });
  }
  /* `450 to 525k`: the scale of the second is meant for both. */
  sums.forEach((sum, n) => {
    const next = sums[n + 1];
    if (next && sum.scale === 1 && next.scale > 1 && sum.value < 1_000) sum.value *= next.scale;
  });
  return sums;
}

/** A box before what it stands for. */
const BOX = /(?:\[\s*(?:([xX✓✔*])\s*)?\]|\(\s*(?:([xX✓✔*•●])\s*)?\)|([☑☒✓✔◉])|([☐◯○]))(?=\s*\p{L})/gu;
/** What is chosen where a value is a list with boxes: `( ) yes (x) no`; other values as they are. */
export function chosenOf(value: string): string {
  const boxes = [...value.matchAll(BOX)];
  if (!boxes.length || value.slice(0, boxes[0]!.index).trim()) return value;
  return boxes
    .flatMap((box, n) => {
      const chosen = Boolean(box[1]?.trim() || box[2]?.trim() || box[3]);
      return chosen ? [value.slice(box.index + box[0].length, boxes[n + 1]?.index).trim()] : [];
    })
    .join(', ');
}
/** A line that is one box with its words; null for any other. */
export function boxOf(line: string): { words: string; chosen: boolean } | null {
  const boxes = [...line.matchAll(BOX)];
  const only = boxes.length === 1 && !line.slice(0, boxes[0]!.index).replace(/[-*•\s]/g, '') ? boxes[0]! : null;
  return only && { words: line.slice(only.index + only[0].length).trim(), chosen: chosenOf(line.slice(only.index)) !== '' };
}

/** Yes, no, or null for anything else. */
export function saidYes(value: string): boolean | null {
  const text = plainValue(value)
    .replace(/^.*:\s*/, '')
    .replace(/^["“'[(\s]+/, '')
    .toLowerCase();
  if (
    /^(?:yes|y|true|1|on|ok(?:ay)?|sure|agreed|i agree|checked|accepted|x|✓|✔|ja|j|s[iíì]|oui|sim|tak|da|evet|igen|ano|kyllä|так|да|ναι|نعم|כן|はい|是|네|granted|opted in)(?![\p{L}\d])/u.test(
      text,
    )
  )
    return true;
  if (
    /^(?:no|n|false|0|off|nein|non|não|nee|nei|nej|nie|hayır|nem|ei|ні|нет|όχι|لا|לא|いいえ|否|아니요|never|declined|refused|opted out|not)(?![\p{L}\d])/u.test(
      text,
    )
  )
    return false;
  return null;
}

/** The states of the country by their letters (ANSI INCITS 38), as part of an expression: before five digits they are a postal code, and no listing. */
export const STATES =
  '(?:A[KLRZ]|C[AOT]|D[CE]|FL|GA|HI|I[ADLN]|K[SY]|LA|M[ADEINOST]|N[CDEHJMVY]|O[HKR]|PA|RI|S[CD]|T[NX]|UT|V[AT]|W[AIVY])';
const STATE_ZIP = new RegExp(`^${STATES} \\d{5}$`);
const CALLED =
  /^(?:(?:r[eé]f(?:erence|erencia|érence|erentie)?|rif(?:erimento)?|c[oó]d(?:igo|ice|e)?|kod|mls|id|no|nr|listing|objekt)(?!\p{L})\.?(?:\s*[#:])?|#)\s*(?=\S*\d)/iu;
const ID = /^([A-Z]{1,5}(?:[-/ ]?[A-Z]{1,3})?[-/ #]?\d{2,9}[A-Z]?)$/u;

/** The number of a listing that a part of a value is; plain digits are one only when they are called so. */
function listingId(part: string): string | undefined {
  if (STATE_ZIP.test(part)) return undefined;
  const bare = part.replace(CALLED, '');
  return ID.exec(bare)?.[1] ?? (bare !== part && /^\d{4,10}$/.test(bare) ? bare : undefined);
}

/** What a house has is not where it stands: `3 bd 2 ba`. */
const ROOMS = /^\d[\d.,]*\s*(?:\+\s*)?(?:bd|bds|beds?|bedrooms?|br|ba|baths?|bathrooms?|sq\.? ?ft)\b/iu;

/** The property that a value names: number, address and price, in any order, apart or together. */
export function listingIn(value: string): { id?: string; address?: string; price?: number } {
  const listing: { id?: string; address?: string; price?: number } = {};
  const plain = value.replace(/（/g, '(').replace(/）/g, ')');
  const inner = [...plain.matchAll(/\(([^)]*)\)/g)].map(([, one]) => one!);
  const parts = plainValue(plain.replace(/\s*\n\s*/g, ', ').replace(/\([^)]*\)/g, ' '))
    .split(/\s*(?:,(?!\d{3}(?!\d))|[;|·•])\s*|\s+[–—\/-]\s+/)
    .map((part) => part.replace(/\s+/g, ' ').trim())
    .filter(Boolean);
  const rest: string[] = [];
  for (const part of parts.flatMap((one) => /^([A-Z]{1,5}-\d{3,9}) (?=\d)(.+)$/.exec(one)?.slice(1) ?? one)) {
    if (ROOMS.test(part)) continue;
    const id = listingId(part);
    if (id && !listing.id) listing.id = id;
    else if (!/[$€£]|\b(?:usd|eur)\b/i.test(part)) rest.push(part);
    else listing.price ??= sumsIn(part).find(({ sure }) => sure)?.value;
  }
  listing.id ??= inner.map(listingId).find((id) => id !== undefined);
  if (listing.id === undefined) delete listing.id;
  listing.price ??= inner
    .flatMap((one) => (/[$€£]|\b(?:usd|eur)\b/i.test(one) ? sumsIn(one) : []))
    .find(({ sure }) => sure)?.value;
  if (listing.price === undefined) delete listing.price;
  /* A number alone before the street is that of a sign or an advertisement. */
  const address = rest.filter((part) => rest.length === 1 || !/^\d{3,10}$/.test(part)).join(', ');
  if (/\d/.test(address) && /\p{L}{2}/u.test(address) && address.length <= 160) listing.address = address;
  /* `1182 (5 Sloop Lane, Tern Harbor)`: a code, and what it stands for. */
  const meant = listing.address || !inner[0] ? undefined : listingIn(inner[0]).address;
  if (meant) listing.address = meant;
  return listing;
}
