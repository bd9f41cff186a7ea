/** What somebody says they want to do: buy, sell, rent, let, or something else with us; and whether they wish something at all. */
import type { ContactRole } from '../../contacts';
import { emailsIn, phonesIn } from '../values';
import { NAME_ON_LINE } from './patterns';
import { reportedName } from './people';

const LANDLORD =
  /\b(?:need(?:ing)? (?:an? )?(?:\p{L}+ )?tenants?|manag(?:e|ing) (?:my |our |your )?(?:rentals?|duplex|fourplex|building|units?)\b|my tenants?\b|(?:find(?:s|ing)?|screen) (?:a |new |us |me )*tenants?|manage (?:the|our|this) (?:property|house|building|place|unit)|rent(?:ing)? (?:it |mine |my \w+ |our \w+ )?out|rent out|let(?:ting)? (?:it out|out|my|our)|let my|look(?:ing)? for (?:a )?tenants?|find (?:me |us )?(?:a )?tenants?|manage my|property management|vermieten|poner en alquiler|alquilar mi|mettre en location|affittare (?:la mia|il mio))/iu;
const SELLER =
  /\b(?:sell|selling|sold|home value|house value|valuation|sellers?['’]?s? (?:guide|kit|report|lead|inquiry)|list (?:my|our|it)|list the (?:following )?(?:property|house|home)|to be (?:listed|sold)|sale of (?:the|a|our|my|his|her|their)\b|listing (?:my|our|it)|(?:house|home|property|it) is worth|what (?:my|our) (?:house|home|place|property)\b[^.?!]{0,50}\b(?:fetch|worth|bring|go for)|what(?: is|['’]s) (?:my|our|your|the) (?:house|home|place|property|condo)[^.?!]{0,20} worth|verkaufen|verkauf|estimation|estimer|valutazione|tasaci[oó]n|valoraci[oó]n|wertermittlung|immobilienbewertung|waardebepaling|taxatie|vender|vendre|vendere|verkopen)\b/iu;
/** The same in languages whose letters or bounds of words are not those of English. */
const SELLER_ELSEWHERE =
  /(?<!\p{L})(?:sälj\p{L}*|selge|selger|sælge|salg|försälj\p{L}*|värdering|verdivurdering|sprzeda\p{L}*|satmak|satılık|satıyor\p{L}*|прода(?:ть|м|жа|жу|ю)\p{L}*|muốn bán|prodat|prodám|prodej\p{L}*|elad(?:ni|ás|nám)\p{L}*|vând\p{L}*|myydä|myynti|πουλ\p{L}*|ibenta|(?:men)?jual)(?!\p{L})|للبيع|[أن]بيع|البائع|למכור|מכירה|बेच|ขาย|売却|売りたい|出售|卖房|賣房|판매|팔고/iu;
const BUYER_ELSEWHERE =
  /(?<!\p{L})(?:kupi[ćc]|kupna|zakup\p{L}*|satın al\p{L}*|almak ist\p{L}*|купи(?:ть|м|л)\p{L}*|покупк\p{L}*|muốn mua|koupit|koupi|kúpiť|vásárol\p{L}*|venni|cumpăr\p{L}*|ostaa|αγορ\p{L}*|bumili|(?:mem)?beli)(?!\p{L})|شراء|[أن]شتري|לקנות|לקנייה|רכישה|खरीद|ซื้อ|購入|買いたい|购买|購買|买房|買房|매매|구매|구입/iu;
const RENTER_ELSEWHERE =
  /(?<!\p{L})(?:wynaj\p{L}*|kirala\p{L}*|kiralık|аренд\p{L}*|снять|thuê|pronaj\p{L}*|nájem\p{L}*|bérel\p{L}*|închiri\p{L}*|vuokra\p{L}*|ενοικ\p{L}*|(?:meny)?ewa)(?!\p{L})|إيجار|[أن]ستأجر|לשכור|לשכירות|להשכרה|किराय|เช่า|賃貸|借りたい|租房|租赁|租賃|임대|월세/iu;

/** Somebody who sold something once does not sell now. */
const SOLD =
  /\b(?:you|they|he|she|who|that|(?:agent|team|office|brokerage)|just|already|recently|have|has|had|ve|was|were|is)\s+(?:just |already |recently )?sold\b/giu;
const NOT_SELLING = /(?:rather|instead of|not|n['’]t|never|without|than)\b[^.!?]{0,40}?\b(?:sell|selling)(?: it)?\b/giu;
const RENTER =
  /\b(?:(?:looking|want|wants|hope|hoping|like|need) to rent|to rent(?! (?:it |them |mine |(?:my|our) \p{L}+ )?out\b| (?:my|our)\b)|renting (?:a|an|the|your|that|this)|(?:place|house|home|apartment|flat|condo|room|something|somewhere|unit) to rent|(?:available|is) (?:to|for) rent|request for a rental|rental (?:request|inquiry|application)|for rent|lease|tenan(?:t|cy) application|(?:bed|bedroom|br) rentals?|(?:looking|asking|about|for) (?:an? |any )?rentals?(?! propert)|furnished (?:house|home|apartment|place|condo|room)|(?:sabbatical|vacation|short[- ]term|long[- ]term|summer|winter|monthly|seasonal) rentals?|(?:can|could|may) (?:i|we) rent\b|do you (?:also )?(?:rent|(?:handle|have|do|offer|manage) (?:any )?rentals?)|mieten|miete|alquilar|en alquiler|alugar|aluguel|arrendar|louer|en location|affittare|in affitto|huren|hyra|leie|a month|per month|al mes|al mese|par mois|pro monat|im monat|per maand|por m[eê]s|\/ ?mo(?:nth)?\b|monthly rent)(?!\p{L})/iu;
export const BUYER =
  /\b(?:buy|buying|buyers?|purchase|purchasing|pre-?approved|mortgage|(?:busco|buscamos|cerco|cerchiamo|procuro|procuramos) (?:una?|uma?|un) (?:casa|piso|vivienda|departamento|apartament\p{L}*|appartament\p{L}*)|(?:cherche|cherchons) une? (?:maison|appartement)|suchen? (?:ein|eine|nach einem|nach einer) (?:haus|wohnung|häuschen|eigenheim)|(?:zoek|zoeken) een (?:huis|woning|appartement)|(?:look(?:ing)?|search(?:ing)?|hunting) for (?:[\p{L}\d-]+ ){0,5}?(?:house|home|condo|townhouse|place)|(?:look(?:ing)?|search(?:ing)?) for (?:something|somewhere)|house[- ]hunting|look(?:ing)? at (?:[\p{L}\d-]+ ){0,6}?(?:houses|homes|condos|places)|retire (?:to|on|in)|kaufen|käufer|kauf|comprar|compra|acheter|achat|comprare|acquistare|kopen|köpa|kjøpe|købe)(?!\p{L})/iu;

/** A lease that ends is where they live now, and not what they look for. */
const NOT_RENTING =
  /\b(?:our|my|the|their|his|her|current) (?:current )?(?:lease|rental|tenancy)\b[^.!?]{0,30}\b(?:ends?|ending|is up|runs out|expires?|through|until)\b|\b(?:stop|tired of|instead of|rather than|currently) renting\b|(?<!\b(?:can|could|may|shall|should|might) )\b(?:we|i) (?:currently |now )?rent\b/giu;

const VENDOR =
  /\b(?:we are|we['’]re|i am|i['’]m|i run|i own)\b[^.!?]{0,40}\b(?:company|contractors?|inspectors?|photographers?|stagers?|cleaners?|roofers?|plumbers?|painters?|electricians?)\b[^]{0,200}\b(?:work with you|partner with you|our services|your (?:agency|team|office|listings|clients))|\b(?:we|i) (?:also )?(?:photograph|film|stage|clean|inspect|repair|paint|landscape|insure|print|renovate)\b[^]{0,200}\b(?:(?:work|partner) with (?:you|your)|our (?:services|rates)|your (?:listings|clients))/iu;

const AGENT =
  /\b(?:join (?:your|the) (?:\p{L}+ )?(?:brokerage|team|office|agency|company|firm)|(?:work|apply(?:ing)?|hired?|position|career) (?:for you )?as an? (?:\p{L}+ )?(?:agent|realtor|associate)|become an? (?:\p{L}+ )?agent|licen[sc]e exam|looking for a (?:new )?brokerage|hang my licen[sc]e)\b/iu;

const OWN_WISH =
  /\b(?:i|we)(?:['’](?:m|re|d|ve|ll)| am| are| would| want| need| have| hope| wish| plan)\b[^.?!]{0,80}\b(?:buy|sell|rent|lease|list|view|see|tour|move|house|home|condo|apartment|duplex|property|place|tenants?)\b/iu;
const WISHES = new RegExp(
  `${NAME_ON_LINE}[^.?!\\n]{0,90}\\b(?:wants?|would like|is interested|requested|asked|inquired|has a question)\\b`,
  'u',
);
/** Whether somebody speaks of a wish of their own, or another is said to have one and can be reached: such a mail is looked at, whatever else stands in it. */
export const speaksOfAWish = (text: string): boolean =>
  OWN_WISH.test(text) || (WISHES.test(text) && reportedName(text) !== null && phonesIn(text).length + emailsIn(text).length > 0);

/** `I need a 2 bedroom`: whoever asks so whether we manage rentals wants one. */
const SEEKS =
  /\b(?:need|want|look(?:ing)? for|seeking) (?:an? )?(?:(?!tenants?\b)[\p{L}\d-]+ ){0,3}(?:bed(?:room)?|br|apartment|flat|studio|room|place|rental)\b/iu;
/** What somebody says they want to do; null when they say nothing of the kind. */
export function rolesInProse(text: string): ContactRole[] | null {
  const remaining = text.replace(SOLD, ' ').replace(NOT_SELLING, ' ').replace(NOT_RENTING, ' ');
  if (VENDOR.test(remaining)) return ['vendor'];
  if (AGENT.test(remaining)) return ['agent'];
  const buys = BUYER.test(remaining.replace(/\bhome ?buyers?\b/gi, ' ')) || BUYER_ELSEWHERE.test(remaining);
  if (LANDLORD.test(remaining) && !(SEEKS.test(remaining) && RENTER.test(remaining)))
    return buys ? ['landlord', 'buyer'] : ['landlord'];
  const sells = SELLER.test(remaining) || SELLER_ELSEWHERE.test(remaining);
  if (RENTER.test(remaining) || RENTER_ELSEWHERE.test(remaining)) return sells ? ['seller', 'renter'] : ['renter'];
  if (sells) return buys ? ['seller', 'buyer'] : ['seller'];
  return buys ? ['buyer'] : null;
}

const CHOSEN: [ContactRole, RegExp][] = [
  ['landlord', /^(?:a |an )?(?:landlords?|property owners?|vermieter(?:in)?|arrendador(?:a)?|bailleur)$/iu],
  [
    'seller',
    /^(?:a |an |home )*(?:sell(?:ers?|ing)?|sale|vend(?:er|re|ere)|verkaufen|verkopen|sälja|sælge|selge|sprzedać|satmak|owners?|homeowners?|verkäufer(?:in)?|propietari[oa]|propriétaire|proprietari[oa]|eigentümer(?:in)?|eigenaar|vendedor(?:a)?|vendeur|venditore|verkoper|sprzedający|satıcı|продавец)$/iu,
  ],
  [
    'renter',
    /^(?:a |an )?(?:rent(?:ers?|ing|als?)?|alugar|alquilar|louer|affittare|mieten|huren|hyra|leie|leas(?:e|ing)|tenants?|mieter(?:in)?|inquilin[oa]|locataire|inquilino|huurder|najemca|lejer|leietaker|hyresgäst|kiracı|арендатор)$/iu,
  ],
  [
    'buyer',
    /^(?:a |an |home |cash |first[- ]time |first[- ]time home )*(?:buy(?:ers?|ing)?|comprar|acheter|comprare|acquistare|kaufen|kopen|köpa|kjøpe|købe|kupić|purchas(?:e|ing|ers?)|käufer(?:in)?|compra(?:dor)?(?:a)?|comprador(?:a)?|acheteur|compratore|acquirente|koper|kupujący|alıcı|покупатель)$/iu,
  ],
];
/** Roles that somebody chose from a list: `Buyer`, `Seller & buyer`. */
export const rolesChosen = (value: string): ContactRole[] =>
  CHOSEN.flatMap(([role, pattern]) =>
    value
      .split(/\s*(?:[,;/&|\n]|\band\b|\bund\b|\by\b|\be\b|\bet\b|\bog\b|\boch\b|\ben\b)\s*/iu)
      .some((part) => pattern.test(part.trim()))
      ? [role]
      : [],
  );
