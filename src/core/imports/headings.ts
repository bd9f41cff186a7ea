/** What a heading means, whatever its wording or language: a list of rules read from the top. What none of them knows is a field of its own. */
import { columnsFor, type ContactTarget } from '../columns';
import { CHANNEL_KEYS, channelNamed, CHANNELS, type Channel } from '../contacts';
import { textPattern } from '../shared';
const keyed = <Way extends string>(way: Way, words: (channel: Channel) => string): Record<`${Way}_${Channel}`, string> =>
  Object.fromEntries(CHANNEL_KEYS.map((channel) => [`${way}_${channel}`, words(channel)])) as Record<`${Way}_${Channel}`, string>;
/** What no column of contacts is: parts and wholes of what one is, the partner, what somebody agreed to. */
const OTHER_TARGETS = {
  middle: 'Middle name',
  name: 'Whole name',
  fax: 'Fax',
  street2: 'Street, second line',
  address: 'Whole address',
  property: 'Property address',
  notes: 'Note',
  ...keyed('permit', (channel) => `May ${CHANNELS[channel].toBe}`),
  ...keyed('forbid', (channel) => `Must not ${CHANNELS[channel].toBe}`),
  forbid_all: 'Do not contact',
  partner_first: 'Partner, first name',
  partner_last: 'Partner, last name',
  partner_name: 'Partner, whole name',
  partner_email: 'Partner, email',
  partner_phone: 'Partner, phone',
  partner_birthday: 'Partner, birthday',
  custom: 'Custom field',
  ignore: 'Skip',
} as const;
/** What a column of a file may become. */
export type Target = ContactTarget | keyof typeof OTHER_TARGETS;
export const TARGETS = {
  ...Object.fromEntries(columnsFor('import').map(([, column]) => [column.import, column.name])),
  ...OTHER_TARGETS,
} as Record<Target, string>;

/** Lower case, no accents, words apart: `E-mail 1 - Value` becomes `email 1 value`, `FirstName` becomes `first name`. */
export function plainHeading(heading: string): string {
  return heading
    .replace(/\((s|es)\)/gi, '$1')
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .replace(/ß/g, 'ss')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .replace(/\be mail/g, 'email')
    .replace(/\bb day\b/g, 'bday')
    .replace(/\btele phone\b/g, 'telephone');
}

const PARTNER =
  /^(?:spouse|partner|husband|wife|significant other|co (?:buyer|owner|client|applicant|borrower)|second(?:ary)? (?:person|contact|buyer|owner|client)|(?:contact|person|buyer|owner|client|applicant) 2|conyuge|esposa|esposo|pareja|ehepartner|ehefrau|ehemann|conjointe?)(?: s)?\b\s*/;
const FORBID =
  /\b(?:do not|don t|dont|no|not|never|opt(?:ed)? out|optout|optedout|unsubscribed?|unsubscribe|blocked|stop|suppress(?:ed)?)\b/;
const PERMIT =
  /\b(?:ok|okay|may|allow(?:ed|s)?|permission|permissions|permit(?:ted)?|consent(?:ed|s)?|opt(?:ed)? in|optin|subscribed|agrees?|agreed|can|accepts?|wants)\b/;

const RULES: [RegExp, Target][] = [
  ...(Object.entries(TARGETS) as [Target, string][])
    .filter(([target]) => target.startsWith('want_'))
    .map(([target, name]): [RegExp, Target] => [textPattern('')`^${name.toLowerCase().replace(':', '')}$`, target]),
  /* As files that went out before are headed. */
  [/^wants property kinds$/, 'want_kinds'],
  [/^(?:why it was not taken|added on)$/, 'ignore'],
  [/\b(?:id|uid|guid|uuid|url|link|website|web page|photo|picture|avatar)\b/, 'custom'],
  [
    /^(?:email|phone|tel|telephone|address|im|cell|mobile)(?: address| number)?(?: \d+)? (?:kind|type|label|typ|description)$/,
    'ignore',
  ],
  [/\bfax\b/, 'fax'],
  [/\bemails?\b|^mails?(?: address)?(?: \d)?$|\bcorreo\b|\bcourriel\b|\bposta elettronica\b/, 'email'],
  [/\b(?:birthday|birth date|birthdate|date of birth|dob|born|bday|birth)\b|geburts|nacimiento|cumpleanos|naissance/, 'birthday'],
  [
    /\b(?:closing|closed|close date|settlement|purchase date|purchased on|sold on|sold date|sale date|home anniversary|house anniversary|purchase anniversary|move in date)\b/,
    'closing_date',
  ],
  [/\b(?:anniversary|wedding|hochzeitstag|aniversario)\b/, 'anniversary'],
  [
    /^(?:property|subject property|situs|site|listing|home purchased|house)\b.*\b(?:address|street|city|town|zip|postal|state)\b/,
    'property',
  ],
  [/\b(?:postal code|postcode|post code|zip|zipcode|zip code|plz|postleitzahl|codigo postal|code postal|cap)\b/, 'postal_code'],
  [/\b(?:city|town|ort|stadt|ciudad|poblacion|ville|suburb|municipality|locality|village)\b/, 'city'],
  [/\b(?:state|province|region|bundesland|provincia|estado)\b/, 'region'],
  [/\b(?:country|pais|pays|land)\b/, 'country'],
  [/\b(?:address (?:line )?2|line 2|street 2|unit|apt|apartment|suite)\b/, 'street2'],
  [/\b(?:street|strasse|calle|rue|via|address line 1|address 1|addr 1|line 1)\b/, 'street'],
  [/\b(?:address|adresse|direccion|anschrift|indirizzo|domicilio)\b/, 'address'],
  [
    /\b(?:phones?|telephones?|tel|cell|cellphone|cellular|mobile|handy|telefon(?:o|e|nummer)?|movil|celular|portable|landline|festnetz|whatsapp)\b/,
    'phone',
  ],
  [
    /^(?:first|given|fore|christian)(?: names?)?$|\b(?:first ?names?|given ?names?|fore ?names?|fname|vornamen?|prenom|primer nombre|nombres)\b/,
    'first',
  ],
  [/\bmiddle\b|\bsecond name\b|\binitials?\b/, 'middle'],
  [
    /^(?:last|family|sur)(?: names?)?$|\b(?:last ?names?|family ?names?|sur ?names?|lname|nachnamen?|familiennamen?|apellidos?|nom de famille|cognome)\b/,
    'last',
  ],
  [/\b(?:company|organi[sz]ation|firm|firma|employer|business|empresa|org|brokerage|societe|entreprise)\b/, 'company'],
  [/\b(?:lead source|source|origin|referred by|referral|how did|came from|heard|herkunft|quelle|origen|fuente)\b/, 'source'],
  [
    /\b(?:agent|assigned|assignee|salesperson|rep|responsible|handled by|account manager|lead owner|contact owner|record owner)\b|^owner$/,
    'owner',
  ],
  [
    /^(?:full|display|contact|client|customer|lead|person|complete|guest|visitor|owner|whole)?(?: s)? ?names?$|\b(?:full name|nombre completo|nom complet|vollstandiger name)\b|^(?:nombre|nom|nome|contact|client|person|who)$/,
    'name',
  ],
  [/\b(?:tags?|labels?|groups?|categor(?:y|ies)|keywords?|lists?|etiquetas?|gruppen?|hashtags?)\b/, 'tags'],
  [/\b(?:stage|status|pipeline|phase|etapa|estatus)\b/, 'stage'],
  [/\b(?:horizon|time ?frame|temperature|rating|priority|urgency|hot warm cold|when moving)\b/, 'horizon'],
  [
    /^(?:contact |client |lead |customer )?(?:type|types|role|roles|kind|relationship)$|\b(?:buyer or seller|buyer seller|rolle|tipo)\b/,
    'roles',
  ],
  [
    /\b(?:notes?|comments?|remarks?|memo|background|bemerkung(?:en)?|notiz(?:en)?|notas?|observaciones|details|message|about|description|commentaires?)\b/,
    'notes',
  ],
  [/^(?:prefix|suffix|title|salutation|anrede|honorific|name prefix|name suffix|nick ?name)$/, 'ignore'],
];

/** The meaning of one heading. */
export function meaningOf(heading: string): Target {
  const plain = plainHeading(heading);
  if (!plain) return 'ignore';
  const partner = PARTNER.exec(plain) ?? (/\b(?:spouse|partner|wife|husband)(?: s)?$/.test(plain) ? [''] : null);
  if (partner)
    return partnerMeaning(
      plain
        .replace(PARTNER, '')
        .replace(/\b(?:spouse|partner|wife|husband)(?: s)?$/, '')
        .trim(),
    );
  if (/^(?:first|given) ?names? 2$/.test(plain)) return 'partner_first';
  if (/^(?:last|family|sur) ?names? 2$/.test(plain)) return 'partner_last';
  return permissionMeaning(plain) ?? RULES.find(([rule]) => rule.test(plain))?.[1] ?? 'custom';
}

function partnerMeaning(rest: string): Target {
  if (!rest || /^(?:s )?(?:full )?names?$/.test(rest)) return 'partner_name';
  const base = RULES.find(([rule]) => rule.test(rest.replace(/\s*(?:if other|if different)$/, '')))?.[1];
  const found = {
    first: 'partner_first',
    last: 'partner_last',
    name: 'partner_name',
    email: 'partner_email',
    phone: 'partner_phone',
    birthday: 'partner_birthday',
  }[base as string];
  return (found as Target | undefined) ?? 'custom';
}

function permissionMeaning(plain: string): Target | null {
  if (/\bdate\b|\btime\b|\bcount\b|\bnotes?\b|\blast\b/.test(plain)) return null;
  if (/\b(?:do not contact|dnc all|no contact)\b/.test(plain)) return 'forbid_all';
  if (/^dnc\b|\bdo not call\b/.test(plain)) return 'forbid_call';
  const channel = channelNamed(plain, (one) => CHANNELS[one].calledInHeadings);
  if (FORBID.test(plain)) {
    if (/^unsubscribed?$|^opt(?:ed)? ?out$/.test(plain)) return 'forbid_email';
    return channel ? `forbid_${channel}` : null;
  }
  return PERMIT.test(plain) && channel ? `permit_${channel}` : null;
}
