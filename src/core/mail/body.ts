/**
 * A body of any shape, as a program or a form on another site sends it, read as an inquiry: first by what its labels say, in the
 * languages that mails are read in; then by the mapping of its door, which says where a field stands or what it always is.
 */
import { phoneOf } from '../capture';
import type { DoorDefaults } from '../capture';
import { CONTACT_ROLES, type ContactRole } from '../contacts';
import { readName } from '../imports';
import { readJson } from './documents';
import { inquiryOf } from './inquiry';
import { meaningOf } from './labels';
import { readEntries } from './read';
import { saidYes, sumsIn } from './values';

/** Fields of an inquiry that a mapping may fill. */
export const BODY_FIELDS = [
  'name',
  'first_name',
  'last_name',
  'email',
  'phone',
  'message',
  'role',
  'source',
  'city',
  'postal_code',
  'street',
  'listing_id',
  'listing_address',
  'listing_price',
  'price_min',
  'price_max',
  'bedrooms',
  'tags',
  'language',
  'assigned_to',
  'may_text',
  'may_call',
  'may_email',
  'on_the_phone',
] as const;
/** A fact that is looked for in a body. */
export type BodyField = (typeof BODY_FIELDS)[number];

/** Where a field stands in the body (a place as `placesOf` names it), or the words that it always has. */
export type FieldRule = { place: string } | { words: string };
/** For a door: which place of a body is which fact. */
export type Mapping = Partial<Record<BodyField, FieldRule>>;

/** A value of a body with its place. */
export interface BodyValue {
  place: string;
  value: string;
}

const MOST_PLACES = 500;
const DEEPEST = 12;
/** Signs of a label, of a field, and of the words of a message, that are read. */
const MOST_LABEL = 200;
const MOST_FIELD = 2_000;
const MOST_MESSAGE = 20_000;
/** Keys that name a field in lists of questions and answers, and keys under which its answer stands. */
const NAMED = ['label', 'name', 'key', 'question', 'field', 'title', 'id'];
const ANSWER = ['value', 'values', 'answer', 'answers', 'text'];

const isGroup = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const keyIn = (group: Record<string, unknown>, keys: string[]): string | undefined => keys.find((key) => key in group);

/** A question with its answer as one item of a list (`{"label": "Phone", "value": "…"}`); null for anything else. */
function answered(item: unknown): [string, unknown] | null {
  if (!isGroup(item)) return null;
  const answer = keyIn(item, ANSWER);
  const name = keyIn(
    item,
    NAMED.filter((key) => key !== answer),
  );
  return answer && name && typeof item[name] === 'string' && item[name] ? [item[name], item[answer]] : null;
}

/** A value as far as it is read; a message may be long. */
const bounded = (value: string, label: string): string =>
  value.slice(0, meaningOf(label) === 'message' ? MOST_MESSAGE : MOST_FIELD);

/** Lists of questions and answers as groups, whatever else there is as it is, as far as it is read. */
function plainly(value: unknown, depth = 0, label = ''): unknown {
  if (depth > DEEPEST) return null;
  if (typeof value === 'string') return bounded(value, label);
  if (Array.isArray(value)) {
    const pairs = value.map(answered);
    if (value.length && pairs.every((pair) => pair !== null)) return groupOf(pairs, depth);
    return value.slice(0, MOST_PLACES).map((one) => plainly(one, depth + 1, label));
  }
  if (!isGroup(value)) return value;
  return groupOf(Object.entries(value), depth);
}
const groupOf = (entries: readonly (readonly [string, unknown])[], depth: number): Record<string, unknown> =>
  Object.fromEntries(
    entries.slice(0, MOST_PLACES).map(([key, one]) => {
      const label = key.slice(0, MOST_LABEL);
      return [label, plainly(one, depth + 1, label)];
    }),
  );

/**
 * Every value of a body with its place: the keys from the outermost, with points between, places in lists counted from 0; a question
 * in a list of questions stands under its words. At most 500.
 * @example placesOf({ who: { phones: ['555'] }, answers: [{ label: 'Town', value: 'Saltmarsh' }] })
 *   // who.phones.0 → 555, answers.Town → Saltmarsh
 */
export function placesOf(body: unknown): BodyValue[] {
  const places: BodyValue[] = [];
  const visit = (value: unknown, place: string): void => {
    if (value === null || value === undefined || places.length >= MOST_PLACES) return;
    if (typeof value !== 'object') places.push({ place, value: String(value) });
    else for (const [key, one] of Object.entries(value)) visit(one, place ? `${place}.${key}` : key);
  };
  visit(plainly(body), '');
  return places;
}

/** Whether a body has the shape that the API promises, and is to be taken as it is. */
export const isInquiryShaped = (body: unknown): boolean => isGroup(body) && isGroup(body.person);

type Raw = Record<string, unknown> & {
  person: { first_name?: string; last_name?: string; emails: string[]; phones: string[]; street?: string };
};

/**
 * @returns an inquiry in the shape that `readInquiry` checks; what cannot be found is not there
 * @param door what it gives where the body says nothing
 */
export function inquiryOfBody(body: unknown, mapping: Mapping, door: { source: string | null; defaults: DoorDefaults }): unknown {
  const shaped = isInquiryShaped(body);
  if (shaped && Object.keys(mapping).length === 0) return body;
  const raw = shaped ? (structuredClone(body) as Raw) : readFreely(body, door);
  if (!Array.isArray(raw.person.emails)) raw.person.emails = [];
  if (!Array.isArray(raw.person.phones)) raw.person.phones = [];
  const places = new Map(placesOf(body).map(({ place, value }) => [place, value]));
  for (const [field, taken] of Object.entries(mapping) as [BodyField, FieldRule][]) {
    const value = ('words' in taken ? taken.words : (places.get(taken.place) ?? '')).trim();
    if (value) PUT[field](raw, value);
  }
  return raw;
}

function readFreely(body: unknown, door: { source: string | null; defaults: DoorDefaults }): Raw {
  const entries = readJson(JSON.stringify(plainly(body) ?? null)) ?? [];
  const read = inquiryOf(readEntries(entries), door);
  const town = entries.find(({ label }) => /^(?:city|town|stadt|ciudad|ville|citt[aà]|ort)$/i.test(label))?.value;
  const code = entries.find(({ label }) => /^(?:zip|zip[ _-]?code|postal[ _-]?code|postcode|plz)$/i.test(label))?.value;
  return {
    ...read,
    source: door.source ?? null,
    place: { ...(town ? { city: town } : {}), ...(code ? { postal_code: code } : {}) },
  };
}

const group = (raw: Raw, name: string): Record<string, unknown> => (isGroup(raw[name]) ? raw[name] : (raw[name] = {}));
const inGroup = (name: string, key: string) => (raw: Raw, value: string) => {
  group(raw, name)[key] = value;
};
const money = (name: string, key: string) => (raw: Raw, value: string) => {
  const sum = sumsIn(value)[0];
  if (sum) group(raw, name)[key] = Math.round(sum.value);
};
const allowed = (channel: string) => (raw: Raw, value: string) => {
  const permission = saidYes(value);
  if (permission !== null) group(raw, 'permissions')[channel] = permission;
};
const ROLE_WORDS: [ContactRole, RegExp][] = [
  ['buyer', /buy|purchas|kauf|compr|achet|acquist|koop/i],
  ['seller', /sell|valuation|verkauf|vend|verkoop/i],
  ['renter', /rent|tenant|miet|alquil|lou|affitt|huur/i],
  ['landlord', /landlord|let out|vermiet/i],
];

const PUT: Record<BodyField, (raw: Raw, value: string) => void> = {
  name: (raw, value) => {
    const { first, last } = readName(value);
    Object.assign(raw.person, { first_name: first, last_name: last });
  },
  first_name: (raw, value) => {
    raw.person.first_name = value;
  },
  last_name: (raw, value) => {
    raw.person.last_name = value;
  },
  email: (raw, value) => {
    raw.person.emails = [...new Set([value, ...raw.person.emails])].slice(0, 10);
  },
  phone: (raw, value) => {
    raw.person.phones = [...new Set([phoneOf(value)?.number ?? value, ...raw.person.phones])].slice(0, 10);
  },
  message: (raw, value) => {
    raw.message = value;
  },
  role: (raw, value) => {
    const roles = CONTACT_ROLES.filter((role) => value.toLowerCase() === role);
    const found = roles.length ? roles : ROLE_WORDS.filter(([, words]) => words.test(value)).map(([role]) => role);
    /* „Verkaufen“ holds „kaufen“: who sells does not buy by that word. */
    raw.roles = found.includes('seller') && /verkauf|verkoop/i.test(value) ? found.filter((role) => role !== 'buyer') : found;
  },
  source: (raw, value) => {
    raw.source = value.slice(0, 120);
  },
  city: inGroup('place', 'city'),
  postal_code: inGroup('place', 'postal_code'),
  street: (raw, value) => {
    raw.person.street = value;
  },
  listing_id: inGroup('listing', 'id'),
  listing_address: inGroup('listing', 'address'),
  listing_price: money('listing', 'price'),
  price_min: money('wants', 'price_min'),
  price_max: money('wants', 'price_max'),
  bedrooms: (raw, value) => {
    const beds = /\d+(?:\.5)?/.exec(value);
    if (beds) group(raw, 'wants').bedrooms = Number(beds[0]);
  },
  tags: (raw, value) => {
    const before = Array.isArray(raw.tags) ? (raw.tags as string[]) : [];
    raw.tags = [...new Set([...before, ...value.split(/[,;]/).map((one) => one.trim().slice(0, 80))])]
      .filter(Boolean)
      .slice(0, 50);
  },
  language: (raw, value) => {
    raw.language = value.slice(0, 40);
  },
  assigned_to: (raw, value) => {
    raw.assigned_to = value;
  },
  may_text: allowed('text'),
  may_call: allowed('call'),
  may_email: allowed('email'),
  on_the_phone: (raw, value) => {
    raw.on_the_phone = saidYes(value) === true;
  },
};

/** A form's fields by name; a name that comes more than once has all its values. */
export function groupedFields(entries: readonly (readonly [string, string])[]): Record<string, string | string[]> {
  const values = new Map<string, string[]>();
  for (const [name, value] of entries) {
    const known = values.get(name);
    if (known) known.push(value);
    else values.set(name, [value]);
  }
  return Object.fromEntries([...values].map(([name, all]) => [name, all.length === 1 ? all[0]! : all]));
}
