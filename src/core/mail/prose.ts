/** What sentences say of the person who wrote them, or of whom they are about: name, roles, wants, permissions, property. */
import type { ContactRole } from '../contacts';
import { NAME_PARTICLES } from '../shared';
import { monthOf } from './days';
import { channelOf } from './labels';
import type { MailChannel, MailWants } from './mail';
import { emailsIn, personName, phonesIn, senderName, sumsIn, type NameFound } from './values';

const CAP = "\\p{Lu}[\\p{L}'’-]*";
const NAME = `(${CAP}(?:\\s+(?:(?:van|von|der|den|de|da|di|du|del|la|le|af|ten|ter|bin|al|el)\\s+)*${CAP}){0,3})`;
/** A name that stands on one line. */
const NAME_ON_LINE = NAME.replaceAll('\\s+', '[ \\t]+');
const INTRODUCED = new RegExp(
  `(?:\\b(?:i['’]?m|i am|my name is|my name['’]s|this is|name is|me llamo|mi nombre es|soy|ich bin|ich heiße|mein name ist|je suis|je m['’]appelle|mon nom est|mi chiamo|ik ben|mijn naam is|jeg heter|meu nome é))\\s+${NAME}`,
  'iu',
);
const COUPLE = new RegExp(
  `(?:^|[.!?:]\\s+|\\n|(?:[Mm]y|[Oo]ur) (?:clients|friends|customers|buyers|sellers|neighbou?rs),? |(?:[Mm]eet|[Ii]ntroduc(?:e|ing)|[Rr]eferring|[Ss]ending you)(?: you to)? )(${CAP}) (?:and|&) ${NAME}(?=[.,!]|\\s+(?:are|were|have|want|would|is|need)\\b|\\s*$)`,
  'mu',
);
const THIRD = new RegExp(
  `(?:^|[.!?:]\\s+|\\n|(?:[Mm]y|[Oo]ur|[Yy]our|[Aa]) (?:client|friend|customer|buyer|seller|neighbou?r|sister|brother|mother|father|mom|dad|son|daughter|cousin|aunt|uncle|niece|nephew|new (?!agent|realtor|broker|listing|lead)\\p{Ll}+|(?:hire|employee|transferee)|colleague|boss|co-?worker),? )${NAME}(?=,?\\s+(?:is|has|wants|would|needs|just|saved|viewed|liked|asked|asks|called|stopped|says|said|wrote|writes|requested|inquired|starts|looks|moves|will|left)\\b)`,
  'mu',
);
const CAPITALISED = /^\p{Lu}|^[^\p{Ll}\p{Lu}]/u;

/** `It's Kofi Mensah`: only with two names, for much else is said so. */
const ITS = new RegExp(`\\b[Ii]t['’]s\\s+(${CAP}\\s+${CAP})`, 'u');
/** The words of a name as far as they are some: `Cosmo Yates and my` is Cosmo Yates. */
function asCalled(name: string): string {
  const words = name.split(/\s+/);
  const end = words.findIndex(
    (word, n) =>
      n > 0 &&
      /^\p{Ll}/u.test(word) &&
      !NAME_PARTICLES.includes(word) &&
      !(/^(?:and|und|y|et|e)$/.test(word) && /^\p{Lu}/u.test(words[n + 1] ?? '')),
  );
  return words.slice(0, end < 0 ? undefined : end).join(' ');
}
/** Somebody who says who they are. */
export function introducedName(text: string): NameFound | null {
  const found = INTRODUCED.exec(text);
  const name = found && CAPITALISED.test(found[1]!) && !/^im\s/.test(found[0]) ? found[1]! : ITS.exec(text)?.[1];
  return name ? personName(asCalled(name.split(/\s+(?=I['’]?m\b|I\b)/)[0]!)) : null;
}
/** A name with a way to reach whoever has it right behind: `Barnaby Thistle (barnaby@…, 564-555-0113)`. */
const REACHED = new RegExp(
  `${NAME_ON_LINE}(?:\\s*[,(<|–-]\\s*|[ \\t]{2,}|[ \\t]*\\n\\s*|\\s(?=\\(?\\d{3}\\)?[ .-]\\d{3}[ .-]\\d{4}))(?=[^\\s@]{1,64}@\\S|\\+?\\(?\\d{3}[)\\s.-])`,
  'gu',
);
/** `You have a message from Jocasta Wren`. */
const FROM = new RegExp(
  `\\b(?:message|inquiry|enquiry|request|lead|question|call|contact|application|registration|referral)\\s+(?:from|by)\\s+${NAME}`,
  'u',
);
/** `Please meet Delphine Arceneaux.` */
const REFERRED = new RegExp(
  `\\b(?:[Mm]eet|[Ii]ntroduc(?:e|ing)(?: you to)?|[Rr]efer(?:ring)?(?: you)?|[Ss]end(?:ing)? you|[Cc]onnect(?:ing)? you with|in touch with|[Pp]assing (?:on|along))\\s+(?:(?:my|our|a) (?:\\p{L}+ )?(?:clients?|friends?|customers?|buyers?|sellers?),? )?${NAME_ON_LINE}`,
  'u',
);
/** Somebody of whom another writes. */
export function reportedName(text: string): NameFound | null {
  const from = FROM.exec(text)?.[1];
  if (from?.includes(' ') && senderName(from)) return personName(from);
  const couple = COUPLE.exec(text);
  if (couple) return personName(`${couple[1]} & ${couple[2]}`);
  for (const [, name] of text.matchAll(REACHED)) if (name!.includes(' ') && senderName(name!)?.last) return personName(name!);
  const referred = REFERRED.exec(text)?.[1];
  if (referred?.includes(' ') && senderName(referred)?.last) return personName(referred);
  const third = THIRD.exec(text);
  return third && third[1]!.includes(' ') && senderName(third[1]!) ? personName(third[1]!) : null;
}

const WITH = new RegExp(
  `(?<!\\p{L})(?:my|mein|meine|mi|mon|ma|mio|mia|mijn|min)\\s+(?:husband|wife|spouse|partner|fianc[ée]{1,2}|boyfriend|girlfriend|kone|mand|hustru|mann|frau|ehemann|ehefrau|marido|mujer|esposa|esposo|mari|femme|marito|moglie|man|vrouw),?\\s+(${CAP})`,
  'iu',
);
/** The one with whom somebody writes: `My husband Anand and I`. */
export function withWhom(text: string): { first: string; last: null } | null {
  const name = WITH.exec(text)?.[1];
  return name && CAPITALISED.test(name) && !/^I$/u.test(name) ? { first: name, last: null } : null;
}

const LANDLORD =
  /\b(?:need(?:ing)? (?:an? )?(?:\p{L}+ )?tenants?|manage (?:my |our |your )?rentals?\b|manage (?:the|our|this) (?:property|house|building|place|unit)|rent(?:ing)? (?:it |mine |my \w+ |our \w+ )?out|rent out|let(?:ting)? (?:it|out|my|our)|let my|look(?:ing)? for (?:a )?tenants?|find (?:me |us )?(?:a )?tenants?|manage my|property management|vermieten|poner en alquiler|alquilar mi|mettre en location|affittare (?:la mia|il mio))/iu;
const SELLER =
  /\b(?:sell|selling|sold|home value|house value|valuation|sellers?['’]?s? (?:guide|kit|report|lead|inquiry)|list (?:my|our|it)|listing (?:my|our|it)|(?:house|home|property|it) is worth|what (?:my|our) (?:house|home|place|property)\b[^.?!]{0,50}\b(?:fetch|worth|bring|go for)|what(?: is|['’]s) (?:my|our|your|the) (?:house|home|place|property|condo)[^.?!]{0,20} worth|verkaufen|verkauf|vender|vendre|vendere|verkopen)\b/iu;
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
  /\b(?:(?:looking|want|wants|hope|hoping|like|need) to rent|to rent (?:a|an|the)|renting (?:a|an|the|your|that|this)|(?:place|house|home|apartment|flat|condo|room|something|somewhere|unit) to rent|(?:available|is) (?:to|for) rent|request for a rental|rental (?:request|inquiry|application)|for rent|lease|tenan(?:t|cy) application|(?:bed|bedroom|br) rentals?|(?:looking|asking|about|for) (?:an? |any )?rentals?(?! propert)|do you (?:also )?rent|mieten|miete|alquilar|en alquiler|alugar|aluguel|arrendar|louer|en location|affittare|in affitto|huren|hyra|leie|a month|per month|al mes|al mese|par mois|pro monat|im monat|per maand|por m[eê]s|\/ ?mo(?:nth)?\b|monthly rent)(?!\p{L})/iu;
const BUYER =
  /\b(?:buy|buying|buyers?|purchase|purchasing|pre-?approved|mortgage|(?:busco|buscamos|cerco|cerchiamo|procuro|procuramos) (?:una?|uma?|un) (?:casa|piso|vivienda|departamento|apartament\p{L}*|appartament\p{L}*)|(?:cherche|cherchons) une? (?:maison|appartement)|suchen? (?:ein|eine|nach einem|nach einer) (?:haus|wohnung|häuschen|eigenheim)|(?:zoek|zoeken) een (?:huis|woning|appartement)|(?:look(?:ing)?|search(?:ing)?|hunting) for (?:an?|the|our|my|\p{L}+)? ?(?:[\p{L}\d-]+ ){0,4}?(?:house|home|condo|townhouse|place)|(?:look(?:ing)?|search(?:ing)?) for (?:something|somewhere)|house[- ]hunting|kaufen|käufer|kauf|comprar|compra|acheter|achat|comprare|acquistare|kopen|köpa|kjøpe|købe)(?!\p{L})/iu;

/** A lease that ends is where they live now, and not what they look for. */
const NOT_RENTING =
  /\b(?:our|my|the|their|his|her|current) (?:current )?(?:lease|rental|tenancy)\b[^.!?]{0,30}\b(?:ends?|ending|is up|runs out|expires?|through|until)\b|\b(?:stop|tired of|instead of|rather than|currently) renting\b|\b(?:we|i) (?:currently |now )?rent\b/giu;

const VENDOR =
  /\b(?:we are|we['’]re|i am|i['’]m|i run|i own)\b[^.!?]{0,40}\b(?:company|contractors?|inspectors?|photographers?|stagers?|cleaners?|roofers?|plumbers?|painters?|electricians?)\b[^]{0,200}\b(?:work with you|partner with you|our services|your (?:agency|team|office|listings|clients))/iu;

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

/** What somebody says they want to do; null when they say nothing of the kind. */
export function rolesSaid(text: string): ContactRole[] | null {
  const said = text.replace(SOLD, ' ').replace(NOT_SELLING, ' ').replace(NOT_RENTING, ' ');
  if (VENDOR.test(said)) return ['vendor'];
  if (AGENT.test(said)) return ['agent'];
  const buys = BUYER.test(said.replace(/\bhome ?buyers?\b/gi, ' ')) || BUYER_ELSEWHERE.test(said);
  if (LANDLORD.test(said)) return buys ? ['landlord', 'buyer'] : ['landlord'];
  const sells = SELLER.test(said) || SELLER_ELSEWHERE.test(said);
  if (RENTER.test(said) || RENTER_ELSEWHERE.test(said)) return sells ? ['seller', 'renter'] : ['renter'];
  if (sells) return buys ? ['seller', 'buyer'] : ['seller'];
  return buys ? ['buyer'] : null;
}

const CHOSEN: [ContactRole, RegExp][] = [
  ['landlord', /^(?:a |an )?(?:landlords?|property owners?|vermieter(?:in)?|arrendador(?:a)?|bailleur)$/iu],
  [
    'seller',
    /^(?:a |an |home )*(?:sellers?|owners?|homeowners?|verkäufer(?:in)?|propietari[oa]|propriétaire|proprietari[oa]|eigentümer(?:in)?|eigenaar|vendedor(?:a)?|vendeur|venditore|verkoper|sprzedający|satıcı|продавец)$/iu,
  ],
  [
    'renter',
    /^(?:a |an )?(?:renters?|tenants?|mieter(?:in)?|inquilin[oa]|locataire|inquilino|huurder|najemca|kiracı|арендатор)$/iu,
  ],
  [
    'buyer',
    /^(?:a |an |home |cash |first[- ]time |first[- ]time home )*(?:buyers?|käufer(?:in)?|comprador(?:a)?|acheteur|compratore|acquirente|koper|kupujący|alıcı|покупатель)$/iu,
  ],
];
/** Roles that somebody chose from a list: `Buyer`, `Seller & buyer`. */
export const rolesChosen = (value: string): ContactRole[] =>
  CHOSEN.flatMap(([role, pattern]) =>
    value.split(/\s*(?:[,;/&|\n]|\band\b|\bund\b|\by\b)\s*/iu).some((part) => pattern.test(part.trim())) ? [role] : [],
  );

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
  `\\b${COUNT}\\s*\\+?[\\s-]*(?:or more\\s+)?(?:bd|bds|beds?|br|bedrooms?|bdrms?|dormitorios?|habitaciones|recámaras|schlafzimmern?|chambres?|camere(?: da letto)?|slaapkamers|soverom|sovrum|quartos|dormit[oó]rios|pokoj\\p{L}*)(?!\\p{L})`,
  'iu',
);
const BATHS = new RegExp(
  `\\b${COUNT}\\s*\\+?[\\s-]*(?:or more\\s+)?(?:ba|baths?|bathrooms?|baños|badezimmern?|salles? de bains?|bagni|badkamers|banheiros|casas de banho)(?!\\p{L})`,
  'iu',
);
/** `To soverom` are two in Norway and Denmark; in English it is no number. */
const NORDIC_TWO = /\bto (?=(?:soverom|sove?værelser|værelser)\b)/giu;
const counted = (whole: string, pattern: RegExp): number | undefined => {
  const found = pattern.exec(whole.replace(NORDIC_TWO, '2 '))?.[1];
  return found ? (WORD_NUMBERS[found.toLowerCase()] ?? Number(found.replace(',', '.'))) : undefined;
};

const MOST =
  /(?<!\p{L})(?:up to|max(?:imum|imal)?|maks(?:imal\p{L}*)?|inntil|limit|at most|no más de|maximaal|(?:no|not) more than|less than|under|below|hasta|fins a|máximo|como mucho|bis(?: zu)?|höchstens|jusqu['’]à|maximum|massimo|fino a|tot|até|upp till|opp til|op til|budget|spend|afford|(?:can|could) go (?:up )?to|pre-?approved|bütçe\p{L}*|budżet\p{L}*|бюджет\p{L}*|до|orçamento|presupuesto|rozpočet)(?!\p{L})/iu;
const LEAST =
  /(?<!\p{L})(?:at least|minimum|min|over|above|from|starting at|desde|mínimo|a partir de|ab|mindestens|à partir de|minimo|vanaf)(?!\p{L})/iu;

const UNITS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = 'zero ten twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const SPELLED = new RegExp(
  `\\b((?:(?:${[...UNITS.slice(1), ...TENS.slice(2)].join('|')}|a|hundred|and)[\\s-]+){1,8})(thousand|million)\\b`,
  'giu',
);
/** Thousands in words as digits: `two hundred and ten thousand`. */
const inDigits = (text: string): string =>
  text.replace(SPELLED, (whole: string, words: string, scale: string) => {
    let sum = 0;
    for (const word of words.toLowerCase().split(/[\s-]+/)) {
      if (word === 'hundred') sum = Math.max(sum, 1) * 100;
      else if (UNITS.includes(word)) sum += UNITS.indexOf(word);
      else if (TENS.includes(word)) sum += TENS.indexOf(word) * 10;
    }
    return sum || /\ba\b/i.test(words) ? `${Math.max(sum, 1)} ${scale}` : whole;
  });

/** A budget: two sums are a range, one is the most unless its words say the least. */
export function budgetIn(text: string, labelled = false): Pick<MailWants, 'priceMin' | 'priceMax'> {
  const sums = sumsIn(text).filter(
    ({ value, sure, monthly }) => value >= (labelled || monthly ? 100 : 1_000) && (labelled || sure),
  );
  if (!sums.length) return {};
  if (sums.length > 1) {
    const [a, b] = [sums[0]!, sums[1]!];
    const between = text.slice(a.at, b.at);
    if (/[–—-]|\bto\b|\band\b|\by\b|\ba\b|\bbis\b|\bund\b|\bà\b|\bet\b/u.test(between) && a.value <= b.value)
      return { priceMin: a.value, priceMax: b.value };
  }
  const before = text.slice(Math.max(0, sums[0]!.at - 60), sums[0]!.at + 1);
  const most =
    /^[^.!?\p{L}]{0,20}(?:\p{L}{1,8}\.?\s+)?(?:au plus|au maximum|maximum|max|at most|or less|tops|máximo|como máximo|al massimo|maximal|höchstens)(?!\p{L})/iu.test(
      text.slice(sums[0]!.at),
    );
  if (LEAST.test(before) && !MOST.test(before)) return { priceMin: sums[0]!.value };
  return labelled || most || MOST.test(before) ? { priceMax: sums[0]!.value } : {};
}

const NOT_PLACES =
  /^(?:january|february|march|april|may|june|july|august|september|october|november|december|monday|tuesday|wednesday|thursday|friday|saturday|sunday|spring|summer|autumn|fall|winter|enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|octubre|noviembre|diciembre|januar|februar|märz|mai|juni|juli|oktober|dezember|english|spanish|german|french|person|i|the|a|us)$/iu;
const PLACE = `${CAP}(?:\\s+${CAP}){0,2}`;
const PLACES = new RegExp(
  `(?<!\\p{L})(?:in|near|around|en|em|i|w|v|у|в|cerca de|bei|à|nära|nær|(?:mov(?:e|ing)|relocat(?:e|ing))(?: from ${PLACE})? to|ziehen nach)\\s+((?:${PLACE})(?:(?:\\s*,\\s*|\\s+(?:or|and|o|y|oder|und|ou|et)\\s+)${PLACE})*)`,
  'gu',
);
/** `Herring Bay would be ideal`, `we would consider Petrel Point`. */
const LIKED = new RegExp(
  `(?<!\\p{L})(?:consider|prefer|ideally|preferably|love)\\s+(${PLACE})|(?<!\\p{L})(${PLACE}) (?:would be|is|are) (?:ideal|perfect|best|fine|great|our favou?rite|our first choice)`,
  'gu',
);
const OWNED =
  /\b(?:sell|selling|my (?:house|home|cottage|condo|place|property)|our (?:house|home|cottage|condo|place|property)|inherited|i own|we own|i live|we live|verkaufen|vender|vendre)\b/iu;

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
function withoutTown(text: string): string {
  const street = addressIn(text)?.split(',')[0];
  const at = street ? text.indexOf(street) : -1;
  if (at < 0) return text;
  const behind = text.slice(at + street!.length).replace(new RegExp(`^,?\\s+(?:in\\s+)?${PLACE}`, 'u'), ' ');
  return text.slice(0, at) + behind;
}

/** `A 3/2 in Quillhaven`: three bedrooms and two bathrooms. */
const BEDS_AND_BATHS = /\b(?:an?|any|nice|good|little|small)\s+([1-9])\/([1-9](?:\.5)?)(?![\d/])/iu;
/** What somebody looks for, in their own words. */
export function wantsIn(text: string): MailWants {
  const plain = inDigits(text.replace(/\s+/g, ' '));
  const wants: MailWants = { ...sentencesBudget(plain) };
  const short = BEDS_AND_BATHS.exec(plain);
  const beds = counted(plain, BEDS) ?? (short ? Number(short[1]) : undefined);
  const baths = counted(plain, BATHS) ?? (short ? Number(short[2]) : undefined);
  const areas = areasIn(withoutTown(text));
  if (beds) wants.bedsMin = beds;
  if (baths) wants.bathsMin = baths;
  if (areas.length) wants.areas = areas;
  return wants;
}
const sentencesBudget = (text: string): MailWants => {
  for (const sentence of text.split(/(?<=[.!?…])\s+/)) {
    if (OWNED.test(sentence) && !BUYER.test(sentence)) continue;
    const budget = budgetIn(sentence);
    if (Object.keys(budget).length) return budget;
  }
  return {};
};
/** Rooms in a value that is about them. */
export const roomsIn = (value: string): Pick<MailWants, 'bedsMin' | 'bathsMin'> => ({
  ...(counted(value, BEDS) ? { bedsMin: counted(value, BEDS) } : {}),
  ...(counted(value, BATHS) ? { bathsMin: counted(value, BATHS) } : {}),
});

const GRANTS =
  /\b(?:(?:are|is|am|i['’]m|they['’]re|we['’]re) (?:fine|happy|ok|okay) with|agree(?:s|d)? to|you may|feel free to|welcome to)\b/iu;
const FORBIDS = /\b(?:no|not|don['’]t|do not|never|stop|without|keine?|nicht|no me|sin|pas de|ne pas)\b/iu;
/** Not at all times is not never. */
const NOT_ALWAYS =
  /\b(?:before|after|until|between|on (?:week|mon|tue|wed|thu|fri|sat|sun)\p{L}*|at night|in the (?:morning|afternoon|evening)s?|at work)\b/iu;
const NO_MATTER = /\b(?:don['’]t mind|no problem|not a problem|no worries)\b/iu;

/** `Texting is fine`. */
const FINE = /(\p{L}+) (?:is|are) (?:fine|ok|okay|welcome|alright|no problem)\b/iu;
/** Permissions that sentences give or take, clause by clause. */
export function permissionsIn(text: string): Partial<Record<MailChannel, 'granted' | 'withdrawn'>> {
  const said: Partial<Record<MailChannel, 'granted' | 'withdrawn'>> = {};
  for (const clause of text.replace(/\s+/g, ' ').split(/[.;!?]\s+|,\s*|\s+but\s+/i)) {
    if (NO_MATTER.test(clause) || NOT_ALWAYS.test(clause) || /\bwork (?:address|e-?mail|mail|number)\b/iu.test(clause)) continue;
    const fine = FINE.exec(clause);
    const channel = fine && channelOf(fine[1]!);
    if (channel && !FORBIDS.test(clause)) said[channel] ??= 'granted';
    const forbids = FORBIDS.exec(clause);
    const grants = GRANTS.exec(clause);
    if (!forbids && !grants) continue;
    const about = clause.slice((forbids ?? grants)!.index);
    if (forbids && about.length > 45) continue;
    for (const part of about.split(/\s+(?:and|or|und|oder|y|o)\s+|\//)) {
      const channel = channelOf(part) ?? (forbids && clause.length <= 45 ? channelOf(clause) : null);
      if (channel) said[channel] ??= forbids ? 'withdrawn' : 'granted';
    }
  }
  return said;
}

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
/** A postal address in running text. */
export function addressIn(text: string): string | null {
  const plain = text.replace(/\s+/g, ' ');
  const other = STREET_FIRST.exec(plain);
  for (const found of plain.matchAll(ADDRESS)) {
    const [, number, street, town, postal] = found;
    if (monthOf(street!.split(/[\s.,]/)[0]!) || NO_STREET.test(street!) || (street!.trim().length < 4 && !town)) continue;
    if (other && other.index < found.index) break;
    return [`${number} ${street!.trim()}`, [town?.trim(), postal].filter(Boolean).join(' ')].filter(Boolean).join(', ');
  }
  const small = other ? null : SMALL_LETTERS.exec(plain)?.[1];
  if (small) return small;
  return other && [`${other[1]!.trim()} ${other[2]}`, other[3]?.trim()].filter(Boolean).join(', ');
}

const LISTING_ID =
  /\b(?!(?:A[KLRZ]|C[AOT]|D[CE]|FL|GA|HI|I[ADLN]|K[SY]|LA|M[ADEINOST]|N[CDEHJMVY]|O[HKR]|PA|RI|S[CD]|T[NX]|UT|V[AT]|W[AIVY]) \d{5}\b)(?!(?:NMLS|DRE|LIC|NPN)\b)([A-Z]{2,4}(?:-[A-Z])?[-/ ]\d{3,7})\b/u;
/** Plain digits are one only when they are called so. */
const CALLED_ID =
  /\b(?:(?:mls|listing|property|ref(?:erence)?)\.?\s*(?:id|no\.?|number)?\s*[#:]\s*|mls\s+(?:id\s+|no\.?\s+)?)(\d{4,10})\b/iu;
/** The number of a listing in running text. */
export const listingIdIn = (text: string): string | null =>
  LISTING_ID.exec(text)?.[1]?.replace(/^(?:MLS|REF|NR|ID) (?=\d{4})/, '') ?? CALLED_ID.exec(text)?.[1] ?? null;
