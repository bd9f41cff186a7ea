/** What the label of a value means, and whom or which channel it is about: found by words and not by whole labels, because every sender words them differently. */
import { byChannel, channelNamed, CHANNELS, type Channel } from '../contacts';
import { CONSENT, RULES, UNDIVIDED, whole, word, type Meaning } from './label-words';

const CALLED = byChannel((channel) => word(CHANNELS[channel].calledInLabels));
/** The channel a label or a sentence is about. */
export const channelOf = (text: string): Channel | null => channelNamed(plainLabel(text), (channel) => CALLED[channel]);

/** Small letters without accents, signs and camel case; one space between words. */
export function plainLabel(label: string): string {
  return label
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/ø/g, 'o')
    .replace(/ł/g, 'l')
    .replace(/đ/g, 'd')
    .replace(/ı/g, 'i')
    .replace(/[’']s\b/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

/** Groups of a document that speak of somebody else than the lead. */
const OTHERS = word(
  'coordinator|consultant|counselor|adviser|manager|referrer|agent|agents|broker|office|sender|vendor|realtor|recipient|assigned|advisor|company|dealer|account|publisher|provider|contactpersoon|kontaktperson|betreuer(?:in)?|berater(?:in)?|ansprechpartner(?:in)?|makler(?:in)?|sachbearbeiter(?:in)?|conseill\\p{L}*|asesor\\p{L}*|consulente|adviseur|doradca',
);
const PARTNERS = word('partner|spouse|co ?buyer|co ?applicant|co ?borrower');

const OF_THE_OFFICE = whole(
  '(?:your |the |listing |assigned )?(?:agent|broker|office|consultant|realtor|coordinator)(?: details| information| contact)?|your (?:contact|representative|specialist|account manager)(?: at \\p{L}+)?',
);
/** Whether a heading says that what stands below is of the partner, or of somebody of the office. */
export const isAboutOthers = (heading: string): boolean => {
  const plain = plainLabel(heading);
  return plain.split(' ').length <= 4 && (PARTNERS.test(plain) || OF_THE_OFFICE.test(plain));
};

const OF_MONEY = word('budget|price|price range');
const LIMITS = whole('max\\p{L}*|min\\p{L}*|from|to|upper|lower|high|low');
const OF_SEARCHES = word(
  'wens(?:en)?|wunsche|onskemal|onsker|deseos|desideri|recherche|suche|busqueda|ricerca|zoek\\p{L}*|search|criteria|wants|home|preferences|looking for|filter',
);

/** Of what somebody looks for, a town is where; elsewhere it may be where they live. */
const TOWNS = whole('villes?|ciudad(?:es)?|stadt|citta|comune|cidades?|plaats(?:en)?|ort');

/** @param path the groups around the label in a document @returns null for a label that says nothing known */
export function meaningOf(label: string, path: string[] = []): Meaning | null {
  const plain = plainLabel(label);
  if (!plain || plain.split(' ').length > 14) return null;
  const groups = path.map(plainLabel);
  if (groups.some((group) => OTHERS.test(group) || OF_THE_OFFICE.test(group))) return 'ignored';
  if (groups.some((group) => PARTNERS.test(group))) return 'partner';
  if (groups.some((group) => CONSENT.test(group) || group === 'permissions')) return 'consent';
  const found =
    RULES.find(([meaning, pattern]) => pattern.test(plain) && (meaning !== 'consent' || channelOf(label)))?.[0] ??
    (plain.length <= 20 ? UNDIVIDED.find(([, pattern]) => pattern.test(plain))?.[0] : null) ??
    null;
  if (!found && CONSENT.test(plain)) return 'ignored';
  if (!found && groups.some((group) => OF_MONEY.test(group)) && LIMITS.test(plain)) return 'budget';
  if (groups.some((group) => OF_SEARCHES.test(group))) {
    if (found === 'price') return 'budget';
    if (found === 'address' || found === 'name' || TOWNS.test(plain)) return 'areas';
  }
  return found;
}
