/**
 * What a segment may ask about: everything stored of a contact or derived from what happened. Each subject has a kind, which decides
 * the questions one can put to it, and the words with which the sentence speaks of it. Interpreters live in three places only: to SQL
 * (server), in memory (`matches`), to a sentence (`sentence`).
 */
import { capitalized } from '../shared';
import { CHANNELS, CHANNEL_KEYS } from '../channels';
/** `hours` and `point` are asked of a lead only: when it came, and where what it is about lies. */
export const SUBJECT_KINDS = ['one', 'many', 'number', 'time', 'yearly', 'flag', 'text', 'hours', 'point'] as const;
/** What kind of value a subject has. */
export type SubjectKind = (typeof SUBJECT_KINDS)[number];

/** What a segment may ask about. */
export interface Subject {
  key: string;
  kind: SubjectKind;
  /** The heading under which the editor offers it. */
  group: SubjectGroup;
  /** How the editor names it. */
  label: string;
  /** How the sentence says it. */
  words: SubjectWords;
  /** For `one` and `many`: what the values are, to look up their names. Without it the values are words themselves. */
  of?: Vocabulary;
  /** For numbers: what is counted. */
  unit?: string;
  /** For numbers: they are dollars. */
  money?: boolean;
}
export const SUBJECT_GROUPS = [
  'This inquiry',
  'Who',
  'Status',
  'Place',
  'Wants',
  'Calls',
  'Messages',
  'Home search',
  'Follow-up',
  'Dates',
  'Fields',
] as const;
/** Under which heading the editor offers a subject. */
export type SubjectGroup = (typeof SUBJECT_GROUPS)[number];
/** From which list of the account a subject's values come. */
export type Vocabulary =
  | 'stage'
  | 'horizon'
  | 'role'
  | 'tag'
  | 'person'
  | 'roster'
  | 'door'
  | 'campaign'
  | 'permission'
  | 'source'
  | 'town'
  | 'postal'
  | 'contact'
  | 'channel';

/** `yes` before a value that is wanted, `no` before one that is not; `some` and `none` when there is any or nothing. */
export interface SubjectWords {
  yes: string;
  no: string;
  some?: string;
  none?: string;
}

const subject = <const Key extends string>(
  group: SubjectGroup,
  kind: SubjectKind,
  key: Key,
  label: string,
  words: SubjectWords,
  more: Pick<Subject, 'of' | 'unit' | 'money'> = {},
): Subject & { key: Key } => ({
  key,
  kind,
  group,
  label,
  words,
  ...more,
});
/** `called`: called in the last 7 days, not called for 7 days or more, never called. */
const did = <const Key extends string>(group: SubjectGroup, key: Key, label: string, verb: string): Subject & { key: Key } =>
  subject(group, 'time', key, label, { yes: verb, no: `not ${verb}`, some: `${verb} at some time`, none: `never ${verb}` });
const count = <const Key extends string>(group: SubjectGroup, key: Key, label: string, unit: string): Subject & { key: Key } =>
  subject(
    group,
    'number',
    key,
    label,
    { yes: 'with', no: 'without', some: `with any ${unit}`, none: `without ${unit}` },
    { unit },
  );
const price = <const Key extends string>(group: SubjectGroup, key: Key, label: string, what: string): Subject & { key: Key } =>
  subject(
    group,
    'number',
    key,
    label,
    { yes: `with ${what}`, no: `without ${what}`, some: `with ${what}`, none: `without ${what}` },
    { money: true },
  );

const OF_CONTACTS = [
  subject(
    'Who',
    'many',
    'role',
    'Role',
    { yes: 'who are', no: 'who are not', some: 'with a role', none: 'without a role' },
    { of: 'role' },
  ),
  subject(
    'Who',
    'many',
    'tag',
    'Tag',
    { yes: 'tagged', no: 'not tagged', some: 'with any tag', none: 'without a tag' },
    { of: 'tag' },
  ),
  subject('Who', 'text', 'name', 'Name', { yes: 'whose name', no: 'whose name', some: 'with a name', none: 'without a name' }),
  subject('Who', 'text', 'company', 'Company', {
    yes: 'whose company',
    no: 'whose company',
    some: 'with a company',
    none: 'without a company',
  }),
  subject('Who', 'flag', 'has_phone', 'Has a phone number', { yes: 'with a phone number', no: 'without a phone number' }),
  subject('Who', 'flag', 'has_email', 'Has an email address', {
    yes: 'with an email address',
    no: 'without an email address',
  }),
  subject('Who', 'flag', 'has_address', 'Has a mailing address', {
    yes: 'with a mailing address',
    no: 'without a mailing address',
  }),
  subject('Who', 'flag', 'in_household', 'Shares a household', { yes: 'who share a household', no: 'who share no household' }),
  subject('Who', 'flag', 'do_not_contact', 'Do not contact', { yes: 'not to be contacted', no: 'who may be contacted' }),
  ...CHANNEL_KEYS.map((channel) => {
    const permission = `permission to ${CHANNELS[channel].toDo}`;
    const words = { yes: `whose ${permission} is`, no: `whose ${permission} is not` };
    return subject('Who', 'one', `may_${channel}` as const, capitalized(permission), words, { of: 'permission' });
  }),
  subject('Status', 'one', 'stage', 'Stage', { yes: 'in stage', no: 'not in stage' }, { of: 'stage' }),
  did('Status', 'stage_since', 'Stage changed', 'moved to their stage'),
  subject(
    'Status',
    'one',
    'horizon',
    'Horizon',
    { yes: 'with horizon', no: 'with a horizon other than', some: 'with a horizon', none: 'without a horizon' },
    { of: 'horizon' },
  ),
  subject(
    'Status',
    'one',
    'owner',
    'Agent',
    { yes: 'with', no: 'not with', some: 'with an agent', none: 'with nobody' },
    { of: 'person' },
  ),
  subject(
    'Status',
    'many',
    'roster',
    'Agent’s roster',
    { yes: 'with an agent of', no: 'with no agent of', some: 'with an agent of a roster', none: 'with an agent of no roster' },
    { of: 'roster' },
  ),
  subject(
    'Status',
    'one',
    'source',
    'Lead source',
    { yes: 'from', no: 'not from', some: 'with a lead source', none: 'without a lead source' },
    { of: 'source' },
  ),
  subject(
    'Status',
    'many',
    'door',
    'Door',
    { yes: 'who came by', no: 'who did not come by', some: 'who came by a door', none: 'who came by no door' },
    { of: 'door' },
  ),
  did('Status', 'created', 'Added', 'added'),
  subject(
    'Place',
    'one',
    'town',
    'City',
    { yes: 'in', no: 'not in', some: 'with a city', none: 'without a city' },
    { of: 'town' },
  ),
  subject(
    'Place',
    'one',
    'postal_code',
    'ZIP',
    { yes: 'in ZIP code', no: 'not in ZIP code', some: 'with a ZIP code', none: 'without a ZIP code' },
    { of: 'postal' },
  ),
  subject('Place', 'text', 'street', 'Street', {
    yes: 'whose street',
    no: 'whose street',
    some: 'with a street',
    none: 'without a street',
  }),
  price('Wants', 'wants_price_max', 'Max price', 'a max price'),
  price('Wants', 'wants_price_min', 'Min price', 'a min price'),
  count('Wants', 'wants_bedrooms', 'Bedrooms wanted', 'bedrooms wanted'),
  count('Wants', 'wants_bathrooms', 'Bathrooms wanted', 'bathrooms wanted'),
  subject(
    'Wants',
    'many',
    'wants_area',
    'Areas wanted',
    { yes: 'who want to live in', no: 'who do not ask for', some: 'who name an area', none: 'who name no area' },
    { of: 'town' },
  ),
  subject('Wants', 'many', 'wants_kind', 'Property types wanted', {
    yes: 'who want a',
    no: 'who do not ask for a',
    some: 'who name a property type',
    none: 'who name no property type',
  }),
  subject('Wants', 'many', 'wants_feature', 'Features wanted', {
    yes: 'who want',
    no: 'who do not ask for',
    some: 'who name a feature',
    none: 'who name no feature',
  }),
  subject('Wants', 'text', 'wants_words', 'Wants in their words', {
    yes: 'whose wants',
    no: 'whose wants',
    some: 'who said what they want',
    none: 'who did not say what they want',
  }),
  count('Follow-up', 'inquiries', 'Inquiries', 'inquiries'),
  did('Follow-up', 'last_inquiry', 'Last inquiry', 'heard from by inquiry'),
  did('Follow-up', 'first_inquiry', 'First inquiry', 'first heard from'),
  subject(
    'Follow-up',
    'many',
    'campaign',
    'In a campaign',
    { yes: 'in campaign', no: 'not in campaign', some: 'in a campaign', none: 'in no campaign' },
    { of: 'campaign' },
  ),
  subject(
    'Follow-up',
    'many',
    'campaign_ever',
    'Ever in a campaign',
    {
      yes: 'who were ever in',
      no: 'who were never in',
      some: 'who were ever in a campaign',
      none: 'who were never in a campaign',
    },
    { of: 'campaign' },
  ),
  subject('Follow-up', 'time', 'next_touch', 'Next touch', {
    yes: 'due',
    no: 'not due',
    some: 'with a next touch',
    none: 'without a next touch',
  }),
  subject('Follow-up', 'flag', 'overdue', 'Overdue', { yes: 'who are overdue', no: 'who are not overdue' }),
  did('Follow-up', 'last_touch', 'Last touch', 'touched'),
  subject('Follow-up', 'flag', 'hand_raised', 'Has raised a hand', { yes: 'with a raised hand', no: 'without a raised hand' }),
  count('Calls', 'attempts', 'Call attempts', 'call attempts'),
  did('Calls', 'last_attempt', 'Last call attempt', 'called'),
  count('Calls', 'reached', 'Times reached', 'calls that reached them'),
  did('Calls', 'last_reached', 'Last reached', 'reached'),
  count('Calls', 'conversations', 'Conversations', 'conversations'),
  did('Calls', 'last_conversation', 'Last conversation', 'spoken with'),
  count('Calls', 'talk_minutes', 'Total talk time, minutes', 'minutes of talk'),
  count('Calls', 'first_call_delay', 'Minutes to first call', 'minutes to the first call'),
  count('Calls', 'calls_in', 'Calls received', 'calls received'),
  did('Calls', 'last_call_in', 'Last call received', 'calling us'),
  count('Messages', 'texts_out', 'Texts sent', 'texts sent'),
  count('Messages', 'texts_in', 'Texts received', 'texts received'),
  count('Messages', 'emails_out', 'Emails sent', 'emails sent'),
  count('Messages', 'emails_in', 'Emails answered', 'emails received'),
  count('Messages', 'emails_opened', 'Emails opened', 'emails opened'),
  did('Messages', 'last_opened', 'Last opened an email', 'seen opening an email'),
  count('Messages', 'letters_out', 'Letters sent', 'letters sent'),
  did('Messages', 'last_answer', 'Last answer', 'answering'),
  count('Home search', 'visits', 'Visits to home search', 'visits'),
  did('Home search', 'last_visit', 'Last visit', 'visiting'),
  count('Home search', 'saved_homes', 'Saved homes', 'saved homes'),
  did('Home search', 'last_saved', 'Last saved a home', 'saving a home'),
  subject('Dates', 'yearly', 'birthday', 'Birthday', {
    yes: 'with a birthday',
    no: 'without a birthday',
    some: 'with a known birthday',
    none: 'without a known birthday',
  }),
  subject('Dates', 'yearly', 'closing', 'Closing anniversary', {
    yes: 'with a closing anniversary',
    no: 'without a closing anniversary',
    some: 'with a closing date',
    none: 'without a closing date',
  }),
  subject('Dates', 'yearly', 'wedding', 'Wedding anniversary', {
    yes: 'with a wedding anniversary',
    no: 'without a wedding anniversary',
    some: 'with a known wedding day',
    none: 'without a known wedding day',
  }),
  subject('Dates', 'yearly', 'other_date', 'Another important date', {
    yes: 'with an important date',
    no: 'without an important date',
    some: 'with an important date',
    none: 'without an important date',
  }),
];

/** The name of what a segment may ask about a contact, beside the account's own fields. */
export type SubjectKey = (typeof OF_CONTACTS)[number]['key'];
export const SUBJECTS: readonly (Subject & { key: SubjectKey })[] = OF_CONTACTS;

/** What may be asked of the inquiry that is being routed, beside everything that may be asked of its person. */
export const LEAD_SUBJECTS: readonly Subject[] = [
  subject('This inquiry', 'one', 'lead_door', 'Door it came by', { yes: 'by', no: 'not by' }, { of: 'door' }),
  subject(
    'This inquiry',
    'one',
    'lead_source',
    'Source it names',
    { yes: 'from', no: 'not from', some: 'with a source', none: 'without a source' },
    { of: 'source' },
  ),
  subject(
    'This inquiry',
    'many',
    'lead_role',
    'Role in it',
    { yes: 'who are', no: 'who are not', some: 'with a role', none: 'without a role' },
    { of: 'role' },
  ),
  subject(
    'This inquiry',
    'one',
    'lead_town',
    'City it is about',
    { yes: 'about', no: 'not about', some: 'with a city', none: 'without a city' },
    { of: 'town' },
  ),
  subject(
    'This inquiry',
    'one',
    'lead_postal',
    'ZIP it is about',
    { yes: 'about', no: 'not about', some: 'with a ZIP code', none: 'without a ZIP code' },
    { of: 'postal' },
  ),
  subject('This inquiry', 'point', 'lead_point', 'Place on the map', {
    yes: 'in',
    no: 'outside',
    some: 'with a place on the map',
    none: 'without a place on the map',
  }),
  price('This inquiry', 'lead_price', 'Price', 'a price'),
  subject('This inquiry', 'one', 'lead_kind', 'Kind of property', {
    yes: 'about a',
    no: 'not about a',
    some: 'with a kind of property',
    none: 'without a kind of property',
  }),
  subject('This inquiry', 'text', 'lead_listing', 'Listing it names', {
    yes: 'whose listing',
    no: 'whose listing',
    some: 'about a listing',
    none: 'about no listing',
  }),
  subject('This inquiry', 'flag', 'lead_has_phone', 'Gives a phone number', {
    yes: 'giving a phone number',
    no: 'giving no phone number',
  }),
  subject('This inquiry', 'flag', 'lead_has_email', 'Gives an email address', {
    yes: 'giving an email address',
    no: 'giving no email address',
  }),
  subject('This inquiry', 'one', 'lead_language', 'Language', {
    yes: 'who speak',
    no: 'who do not speak',
    some: 'with a language',
    none: 'without a language',
  }),
  subject('This inquiry', 'hours', 'lead_hour', 'Hour it came', { yes: 'coming', no: 'not coming' }),
  subject('This inquiry', 'flag', 'lead_returning', 'Known before', { yes: 'known before', no: 'not known before' }),
];
const BY_KEY = new Map([...SUBJECTS, ...LEAD_SUBJECTS].map((one) => [one.key, one]));
const LEAD_KEYS = new Set(LEAD_SUBJECTS.map(({ key }) => key));
/** Is the subject one of an inquiry, which a question about contacts cannot ask? */
export const isOfLead = (key: string): boolean => LEAD_KEYS.has(key);

export const FIELD_KINDS = ['text', 'number', 'money', 'date', 'yearly', 'choice', 'choices', 'flag', 'contact'] as const;
/** What kind of value a field holds. */
export type FieldKind = (typeof FIELD_KINDS)[number];
/** A field that an account made for itself; as a subject its key is `field:` and its id. */
export interface FieldDef {
  id: string;
  name: string;
  kind: FieldKind;
  choices: string[];
}

const FIELD_SUBJECTS: Record<FieldKind, SubjectKind> = {
  text: 'text',
  number: 'number',
  money: 'number',
  date: 'time',
  yearly: 'yearly',
  choice: 'one',
  choices: 'many',
  flag: 'flag',
  contact: 'one',
};

export function subjectOfField(field: FieldDef): Subject {
  const name = `“${field.name}”`;
  const kind = FIELD_SUBJECTS[field.kind];
  const words: SubjectWords =
    kind === 'flag'
      ? { yes: `with ${name}`, no: `without ${name}` }
      : kind === 'time'
        ? { yes: name, no: `${name} not`, some: `with ${name}`, none: `without ${name}` }
        : {
            yes: field.kind === 'money' ? `with ${name}` : kind === 'number' ? 'with' : `whose ${name} is`,
            no: field.kind === 'money' ? `without ${name}` : kind === 'number' ? 'without' : `whose ${name} is not`,
            some: `with ${name}`,
            none: `without ${name}`,
          };
  if (kind === 'text') Object.assign(words, { yes: `whose ${name}`, no: `whose ${name}` });
  if (kind === 'yearly') Object.assign(words, { yes: `with ${name}`, no: `without ${name}` });
  return {
    key: `field:${field.id}`,
    kind,
    group: 'Fields',
    label: field.name,
    words,
    ...(field.kind === 'contact' ? { of: 'contact' as const } : {}),
    ...(field.kind === 'money' ? { money: true } : kind === 'number' ? { unit: `as ${name}` } : {}),
  };
}

/** The subject of a key; null for a field that is gone or a word that never was one. */
export function subjectOf(key: string, fields: readonly FieldDef[] = []): Subject | null {
  const known = BY_KEY.get(key);
  if (known) return known;
  const field = key.startsWith('field:') ? fields.find(({ id }) => `field:${id}` === key) : undefined;
  return field ? subjectOfField(field) : null;
}
