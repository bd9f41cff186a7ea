/**
 * The columns of contacts: each is one entry, of which the grid, its order, segments, files out, files in and the fields of messages take
 * what they need. A column of a kind that there is none of adds a kind of `Cell`, and `CELLS` of the grid says how it looks.
 */
import { tagCell } from '../tags';
import { formatMoney } from '../format';
import { showPhone } from '../capture';
import { CHANNEL_KEYS, CHANNELS, type Channel, type ContactView, type DateKind, type Horizon } from '../contacts';
import type { SubjectKey } from '../segments';
import { howLong, type Jsoned } from '../shared';
import type { OutgoingPerson } from './outgoing';

/** A contact as pages have it. */
type Contact = Jsoned<ContactView>;

/** What one cell of the grid says, without how it looks. Null is what nobody knows. */
export type Cell =
  | { is: 'text'; text: string | number | null }
  | { is: 'money'; dollars: number }
  | { is: 'name'; text: string }
  /** Not for other people's eyes. */
  | { is: 'secret'; text: string | null }
  /** How long ago it was; never, when null. */
  | { is: 'ago'; at: string | null }
  /** When it is due, or for how long it has been. */
  | { is: 'due'; at: string | null }
  | { is: 'day'; at: string }
  /** A day of the calendar, `YYYY-MM-DD` or `--MM-DD`. */
  | { is: 'date'; on: string | null }
  | { is: 'tags'; ids: string[] }
  | { is: 'horizon'; horizon: Horizon | null };

/** All that is said of one column. What it leaves out, it is not for. */
export interface ContactColumn {
  /** What people call it. */
  name: string;
  /** In the grid: how wide it begins, what a cell says; numbers stand right. */
  grid?: { width: number; numeric?: true; cell: (contact: Contact) => Cell };
  /** Sorts the grid; the first click goes up or down. How, in SQL: `ORDERS` of the repository. */
  sort?: 'up' | 'down';
  /** What a segment asks of it. */
  filter?: SubjectKey;
  /** In a file that goes out, under its name or `heading`. */
  export?: (person: OutgoingPerson) => string;
  heading?: string;
  /** In a file that comes in: the meaning that a heading may have. */
  import?: string;
  /** Words of messages may say it, with an example as long as such values are. */
  merge?: string;
}

const text = (value: string | number | null | undefined): Cell => ({ is: 'text', text: value ?? null });
const secret = (value: string | null | undefined): Cell => ({ is: 'secret', text: value ?? null });
const ago = (at: string | null): Cell => ({ is: 'ago', at });
/** @returns `3+ bd, to $480,000` */
const wantsInShort = ({ wants }: Contact): string => {
  const beds = wants.bedrooms ? `${String(wants.bedrooms)}+ bd` : null;
  const price = typeof wants.price_max === 'number' ? `to ${formatMoney(wants.price_max)}` : null;
  return [beds, price].filter(Boolean).join(', ');
};
/** How a contact without a name is called: by an address of theirs. */
const nameOf = (contact: Contact): string =>
  `${contact.first_name} ${contact.last_name}`.trim() || contact.emails[0] || showPhone(contact.phones[0] ?? '') || 'No name';

const permission = (channel: Channel) =>
  ({
    name: `OK to ${CHANNELS[channel].toDo}`,
    filter: `may_${channel}`,
    export: ({ permissions }: OutgoingPerson) =>
      ({ granted: 'yes', withdrawn: 'no', unknown: '' })[permissions[channel] ?? 'unknown'],
  }) as const satisfies ContactColumn;
const permissions = Object.fromEntries(CHANNEL_KEYS.map((channel) => [`ok_to_${channel}`, permission(channel)])) as {
  [C in Channel as `ok_to_${C}`]: ReturnType<typeof permission>;
};

/** What they want, by its key in `wants`. */
const wanted =
  (key: string) =>
  ({ wants }: OutgoingPerson): string => {
    const value = wants[key];
    return Array.isArray(value) ? value.join('; ') : typeof value === 'number' || typeof value === 'string' ? String(value) : '';
  };
const dated = (kind: DateKind) => (person: OutgoingPerson) => person.dates.find((date) => date.kind === kind)?.on ?? '';
const yearly = (kind: DateKind) => ({
  width: 104,
  cell: ({ dates }: Contact): Cell => ({ is: 'date', on: dates.find((date) => date.kind === kind)?.on ?? null }),
});

export const CONTACT_COLUMNS = {
  name: {
    name: 'Name',
    grid: { width: 190, cell: (contact) => ({ is: 'name', text: nameOf(contact) }) },
    sort: 'up',
    filter: 'name',
  },
  first_name: { name: 'First name', export: (person) => person.first_name, import: 'first', merge: 'Oda' },
  last_name: { name: 'Last name', export: (person) => person.last_name, import: 'last', merge: 'Brandvold' },
  company: {
    name: 'Company',
    grid: { width: 150, cell: (contact) => text(contact.company) },
    sort: 'up',
    filter: 'company',
    export: (person) => person.company ?? '',
    import: 'company',
  },
  email: {
    name: 'Email',
    grid: { width: 220, cell: (contact) => secret(contact.emails[0]) },
    filter: 'has_email',
    export: (person) => person.emails.join('; '),
    heading: 'Emails',
    import: 'email',
  },
  phone: {
    name: 'Phone',
    grid: { width: 136, cell: ({ phones: [first] }) => secret(first && showPhone(first)) },
    filter: 'has_phone',
    export: ({ phones }) => phones.map(({ number, extension }) => `${number}${extension ? ` x${extension}` : ''}`).join('; '),
    heading: 'Phones',
    import: 'phone',
  },
  street: {
    name: 'Street',
    grid: { width: 170, cell: ({ place }) => secret(place.street) },
    filter: 'street',
    export: (person) => person.street ?? '',
    import: 'street',
    merge: '14 Heron Lane',
  },
  city: {
    name: 'City',
    grid: { width: 120, cell: ({ place }) => text(place.city) },
    sort: 'up',
    filter: 'town',
    export: (person) => person.city ?? '',
    import: 'city',
    merge: 'Saltmarsh',
  },
  state: { name: 'State', export: (person) => person.region ?? '', import: 'region' },
  postal_code: {
    name: 'ZIP',
    grid: { width: 96, cell: ({ place }) => text(place.postal_code) },
    sort: 'up',
    filter: 'postal_code',
    export: (person) => person.postal_code ?? '',
    import: 'postal_code',
  },
  country: { name: 'Country', export: (person) => person.country ?? '', import: 'country' },
  roles: {
    name: 'Roles',
    grid: { width: 120, cell: ({ roles }) => text(roles.join(', ') || null) },
    filter: 'role',
    export: (person) => person.roles.join('; '),
    import: 'roles',
  },
  stage: {
    name: 'Stage',
    grid: { width: 106, cell: ({ stage }) => text(stage.name) },
    sort: 'up',
    filter: 'stage',
    export: (person) => person.stage,
    import: 'stage',
  },
  horizon: {
    name: 'Horizon',
    grid: { width: 86, cell: ({ horizon }) => ({ is: 'horizon', horizon }) },
    sort: 'up',
    filter: 'horizon',
    export: (person) => person.horizon ?? '',
    import: 'horizon',
  },
  tags: {
    name: 'Tags',
    grid: { width: 210, cell: ({ tags }) => ({ is: 'tags', ids: tags }) },
    sort: 'down',
    filter: 'tag',
    export: (person) => person.tags.map(tagCell).join('; '),
    import: 'tags',
  },
  wants: {
    name: 'Wants',
    grid: { width: 150, cell: (contact) => text(wantsInShort(contact) || null) },
    sort: 'down',
    filter: 'wants_price_max',
  },
  wants_price_min: {
    name: 'Wants: price from',
    filter: 'wants_price_min',
    export: wanted('price_min'),
    import: 'want_price_min',
  },
  wants_price_max: { name: 'Wants: price to', filter: 'wants_price_max', export: wanted('price_max'), import: 'want_price_max' },
  wants_bedrooms: { name: 'Wants: bedrooms', filter: 'wants_bedrooms', export: wanted('bedrooms'), import: 'want_bedrooms' },
  wants_bathrooms: { name: 'Wants: bathrooms', filter: 'wants_bathrooms', export: wanted('bathrooms'), import: 'want_bathrooms' },
  wants_areas: { name: 'Wants: areas', filter: 'wants_area', export: wanted('areas'), import: 'want_areas' },
  wants_kinds: { name: 'Wants: property types', filter: 'wants_kind', export: wanted('kinds'), import: 'want_kinds' },
  wants_features: { name: 'Wants: features', filter: 'wants_feature', export: wanted('features'), import: 'want_features' },
  wants_words: { name: 'Wants: in words', filter: 'wants_words', export: wanted('words'), import: 'want_words' },
  source: {
    name: 'Lead source',
    grid: { width: 130, cell: ({ source }) => text(source) },
    sort: 'up',
    filter: 'source',
    export: (person) => person.source ?? '',
    import: 'source',
  },
  agent: {
    name: 'Agent',
    grid: { width: 90, cell: ({ owner }) => text(owner?.name.split(' ')[0]) },
    sort: 'up',
    filter: 'owner',
    export: (person) => person.agent ?? '',
    import: 'owner',
  },
  birthday: { name: 'Birthday', grid: yearly('birthday'), filter: 'birthday', export: dated('birthday'), import: 'birthday' },
  wedding: { name: 'Wedding anniversary', filter: 'wedding', export: dated('wedding'), import: 'anniversary' },
  closing: { name: 'Closing date', grid: yearly('closing'), filter: 'closing', export: dated('closing'), import: 'closing_date' },
  ...permissions,
  last_spoke: {
    name: 'Last spoke',
    grid: { width: 112, cell: ({ calls }) => ago(calls.last_reached_at) },
    sort: 'down',
    filter: 'last_reached',
  },
  attempts: {
    name: 'Call attempts',
    grid: { width: 112, numeric: true, cell: ({ calls }) => text(calls.attempts) },
    sort: 'down',
    filter: 'attempts',
  },
  next_touch: {
    name: 'Next touch',
    grid: { width: 124, cell: (contact) => ({ is: 'due', at: contact.next_touch?.at ?? null }) },
    sort: 'up',
    filter: 'next_touch',
  },
  last_touch: {
    name: 'Last touch',
    grid: { width: 112, cell: (contact) => ago(contact.last_touch_at) },
    sort: 'down',
    filter: 'last_touch',
  },
  last_visit: {
    name: 'Last visit',
    grid: { width: 112, cell: ({ home_search }) => ago(home_search.last_visit_at) },
    sort: 'down',
    filter: 'last_visit',
  },
  saved_homes: {
    name: 'Saved homes',
    grid: { width: 90, numeric: true, cell: ({ home_search }) => text(home_search.saved_homes || null) },
    sort: 'down',
    filter: 'saved_homes',
  },
  talk: {
    name: 'Talk time',
    grid: {
      width: 90,
      numeric: true,
      cell: ({ calls }) => text(calls.talk_seconds ? howLong(calls.talk_seconds * 1000) : null),
    },
    sort: 'down',
    filter: 'talk_minutes',
  },
  created: {
    name: 'Added',
    grid: { width: 112, cell: (contact) => ({ is: 'day', at: contact.created_at }) },
    sort: 'down',
    filter: 'created',
    export: (person) => person.added,
    heading: 'Added on',
  },
} as const satisfies Record<string, ContactColumn>;

type Columns = typeof CONTACT_COLUMNS;
/** The name of a column of contacts. */
export type ContactColumnKey = keyof Columns;
/** Those by which the grid is sorted. */
export type SortedColumn = { [Key in ContactColumnKey]: Columns[Key] extends { sort: string } ? Key : never }[ContactColumnKey];
/** Those that words of messages may say. */
export type MergedColumn = { [Key in ContactColumnKey]: Columns[Key] extends { merge: string } ? Key : never }[ContactColumnKey];
/** What a column of a file may mean for a contact. */
export type ContactTarget = Extract<Columns[ContactColumnKey], { import: string }>['import'];

const ENTRIES = Object.entries(CONTACT_COLUMNS) as [ContactColumnKey, ContactColumn][];
/** The columns that are for something, in their order. */
export const columnsFor = <Use extends keyof ContactColumn>(
  use: Use,
): [ContactColumnKey, ContactColumn & Required<Pick<ContactColumn, Use>>][] =>
  ENTRIES.filter((entry): entry is [ContactColumnKey, ContactColumn & Required<Pick<ContactColumn, Use>>] => use in entry[1]);
