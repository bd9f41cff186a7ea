/** The places that somebody looks in, and those where what they own stands. */
import { CAP } from './patterns';
import { addressIn } from './property';
import { BUYER } from './roles';

const NOT_PLACES =
  /^(?:january|february|march|april|may|june|july|august|september|october|november|december|monday|tuesday|wednesday|thursday|friday|saturday|sunday|spring|summer|autumn|fall|winter|enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|octubre|noviembre|diciembre|januar|februar|märz|mai|juni|juli|oktober|dezember|english|spanish|german|french|person|i|the|a|us)$/iu;
/** `Herring bay` too. */
const PLACE = `${CAP}(?:\\s+${CAP}){0,2}(?:\\s(?:bay|harbou?r|point|beach|haven|county|island|hills?|heights|valley|lake|village|shores?)(?!\\p{L}))?`;
const BEHIND_STREET = new RegExp(`^,?\\s+(?:in\\s+)?${PLACE}`, 'u');
/** Before the place where something stands, and nobody looks. */
const STANDING = '(?<!\\p{L})(?:both|located|situated|is|are|was|lives|works)';
const PLACES = new RegExp(
  `(?<!\\p{L})(?:(?<!${STANDING} )(?:في|in|near|around|en|em|i|w|v|у|в|cerca de|bei|à|nära|nær)|(?:mov(?:e|ing)|relocat(?:e|ing))(?: (?:my|our) \\p{L}+)?(?: from ${PLACE})? to|ziehen nach|(?<=(?:affitto|vendita|comprare|acquistare|trasferir\\p{L}*|casa|appartamento|villa|bilocale|trilocale|mudar\\p{L}*|vivir|vivere) )a)\\s+((?:${PLACE})(?:(?:\\s*,\\s*|\\s+(?:or|and|o|y|oder|und|ou|et)\\s+)${PLACE})*)`,
  'gu',
);
/** `Herring Bay would be ideal`, `we would consider Petrel Point`. */
const LIKED = new RegExp(
  `(?<!\\p{L})(?:consider|prefer|ideally|preferably|love)\\s+(${PLACE})|(?<!\\p{L})(${PLACE}) (?:would be|is|are) (?:ideal|perfect|best|fine|great|our favou?rite|our first choice)(?! (?:at|by|on|reached|via)\\b)`,
  'gu',
);
export const OWNED =
  /\b(?:sell|selling|my (?:house|home|cottage|condo|place|property)|our (?:house|home|cottage|condo|place|property)|inherited|i own|we own|i live|we live|we have (?:an?|our)|temos|tenemos|abbiamo|wir haben|nous avons|vi har|we hebben|verkaufen|vender|vendre)\b/iu;

/** Places that somebody looks in; not those where what they own stands. */
export function areasIn(text: string): string[] {
  const found: string[] = [];
  for (const whole of text.split(/(?<=[.!?])\s+|\n{2,}/)) {
    /* Of a sentence that speaks of both, what stands behind the wish: `my condo is sold, so I need to buy in Quillhaven`. */
    const wished = OWNED.test(whole) ? (BUYER.exec(whole)?.index ?? whole.length) : 0;
    const sentence = whole.slice(wished);
    for (const [, places] of sentence.replace(/\s+/g, ' ').matchAll(PLACES))
      for (const place of places!.split(/\s*,\s*|\s+(?:or|and|o|y|oder|und|ou|et)\s+/))
        if (!NOT_PLACES.test(place) && !/^[A-Z]{1,3}$/.test(place) && !found.includes(place)) found.push(place);
    for (const [, one, other] of sentence.replace(/\s+/g, ' ').matchAll(LIKED)) {
      const place = (one ?? other)!;
      if (
        !NOT_PLACES.test(place) &&
        !/^(?:That|This|It|They|What|There|Either|Any\p{L}*|E-?mails?|Texts?|Texting|Calls?|Calling|Mornings?|Afternoons?|Evenings?|Weekends?|Weekdays?)$/u.test(
          place,
        ) &&
        !found.includes(place)
      )
        found.push(place);
    }
  }
  return found;
}

/** The town in which a home stands is part of where it stands: `14 Kestrel Row in Tern Harbor`. */
export function withoutTown(text: string): string {
  const street = addressIn(text)?.split(',')[0];
  const at = street ? text.indexOf(street) : -1;
  if (at < 0) return text;
  const behind = text.slice(at + street!.length).replace(BEHIND_STREET, ' ');
  return text.slice(0, at) + behind;
}
