/**
 * An inquiry as it comes in by any door: the shape that the API promises, checked by Joi, and the same cleaned. Whatever
 * is wrong is said per field; what is merely odd (emoji, markup, right-to-left) is kept as given.
 */
import { formatMoney } from '../format';
import Joi from 'joi';
import { AppError, type FieldError, fieldErrors, isZone, type SentFor } from '../shared';
import { isPlaceholder } from '../identity';
import { type Channel, byChannel, CONTACT_ROLES, type ContactRole } from '../contacts';
import { cleanEmail, cleanName, cleanPhone, oneLine } from './clean';

const line = (max: number) => Joi.string().max(max).allow('', null);
const permission = Joi.boolean();

export const wantsSchema = Joi.object({
  price_min: Joi.number().integer().min(0),
  price_max: Joi.number().integer().min(0),
  bedrooms: Joi.number().min(0).max(50),
  bathrooms: Joi.number().min(0).max(50),
  areas: Joi.array().items(Joi.string().max(100)).max(50),
  features: Joi.array().items(Joi.string().max(100)).max(50),
  words: Joi.string().max(2000),
}).unknown(true);

/** What `POST /api/v1/inquiries` takes. Unknown keys beside the known ones are kept in the raw inquiry and otherwise ignored. */
export const inquirySchema = Joi.object({
  person: Joi.object({
    first_name: line(200).default(''),
    last_name: line(200).default(''),
    emails: Joi.array().items(Joi.string().max(320)).max(10).default([]),
    phones: Joi.array().items(Joi.string().max(100)).max(10).default([]),
    /** By phone, as it is given in `phones`. */
    extensions: Joi.object().pattern(Joi.string().max(100), Joi.string().max(12)).max(10),
    time_zone: Joi.string()
      .max(64)
      .custom((zone: string, helpers) => (isZone(zone) ? zone : helpers.error('any.invalid'))),
    street: line(200),
  })
    .unknown(true)
    .required(),
  /** The name of whom they ask together with. */
  partner: line(200),
  roles: Joi.array()
    .items(Joi.string().valid(...CONTACT_ROLES))
    .max(6)
    .default([]),
  source: line(120),
  message: line(20_000),
  place: Joi.object({ city: line(120), postal_code: line(20), street: line(200) })
    .unknown(true)
    .allow(null)
    .default({}),
  /** Who has it already, as the source says: the e-mail address of one of the people here. */
  assigned_to: line(320),
  language: line(40),
  listing: Joi.object({
    id: line(80),
    address: line(300),
    price: Joi.number().min(0).allow(null),
    kind: line(80),
    latitude: Joi.number().min(-90).max(90).allow(null),
    longitude: Joi.number().min(-180).max(180).allow(null),
  })
    .unknown(true)
    .allow(null)
    .default({}),
  wants: wantsSchema.allow(null).default({}),
  permissions: Joi.object(byChannel(() => permission))
    .unknown(true)
    .allow(null)
    .default({}),
  tags: Joi.array().items(Joi.string().min(1).max(80)).max(50).default([]),
  on_the_phone: Joi.boolean().default(false),
})
  .unknown(true)
  .required();

/** An inquiry as a caller sends it. */
export type InquiryInput = SentFor<typeof inquirySchema>;

interface Listing {
  id?: string;
  address?: string;
  price?: number;
  kind?: string;
  latitude?: number;
  longitude?: number;
  /** Its town and postal code, when it is a listing that is known here. */
  city?: string;
  postal_code?: string;
}

/** An inquiry read and cleaned, whatever way it came. */
export interface CleanInquiry {
  firstName: string;
  lastName: string;
  emails: string[];
  phones: string[];
  /** By phone. */
  extensions: Record<string, string>;
  partner: string | null;
  timeZone: string | null;
  street: string | null;
  roles: ContactRole[];
  source: string | null;
  message: string | null;
  city: string | null;
  postalCode: string | null;
  listing: Listing;
  /** A tag of RFC 5646 or a word, as given; the e-mail address of whom the source names as the agent. */
  language: string | null;
  assignedTo: string | null;
  wants: Record<string, unknown>;
  permissions: Partial<Record<Channel, boolean>>;
  tags: string[];
  onThePhone: boolean;
}

interface RawInquiry {
  person: {
    first_name: string | null;
    last_name: string | null;
    emails: string[];
    phones: string[];
    extensions?: Record<string, string>;
    time_zone?: string;
    street?: string | null;
  };
  partner?: string | null;
  roles: ContactRole[];
  source?: string | null;
  message?: string | null;
  place: { city?: string | null; postal_code?: string | null; street?: string | null } | null;
  listing: Listing | null;
  language?: string | null;
  assigned_to?: string | null;
  wants: Record<string, unknown> | null;
  permissions: CleanInquiry['permissions'] | null;
  tags: string[];
  on_the_phone: boolean;
}

/** Removes what PostgreSQL cannot store in text or jsonb: the null character, and halves of surrogate pairs. */
export const storable = (text: string): string =>
  text.replaceAll('\u0000', '').replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd');

/** A value as JSON that PostgreSQL can store as jsonb; the replacement character stands for what it cannot. */
export function storableJson(value: unknown): string {
  const text = JSON.stringify(value ?? null);
  return /\\u(?:0000|d[89a-f])/i.test(text) ? JSON.stringify(value, soundly) : text;
}
const sound = (text: string): string => storable(text.replaceAll('\u0000', '\ufffd'));
const soundly = (_key: string, value: unknown): unknown => {
  if (typeof value === 'string') return sound(value);
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [sound(key), one]));
};

/**
 * Checks and cleans an inquiry.
 * @throws AppError input_invalid with one error per field: a broken e-mail, a phone that is none, no way to reach the person.
 */
export function readInquiry(body: unknown): CleanInquiry {
  const { value, error } = inquirySchema.validate(body, { abortEarly: false, convert: false });
  if (error) throw invalid(fieldErrors(error));
  const raw = value as RawInquiry;
  const errors: FieldError[] = [];
  const emails = collect(raw.person.emails, cleanEmail, 'person.emails', 'is not a valid email address', errors);
  const phones = collect(raw.person.phones, cleanPhone, 'person.phones', 'is not a valid phone number', errors);
  const telling = { emails: emails.filter(isTelling), phones: phones.filter(isTelling) };
  if (!errors.length && !isReachable(raw.person, telling, emails.length + phones.length))
    errors.push({ field: 'person', message: 'needs an email address or a phone number' });
  if (errors.length) throw invalid(errors);
  return {
    firstName: cleanName(storable(raw.person.first_name ?? '')),
    lastName: cleanName(storable(raw.person.last_name ?? '')),
    ...telling,
    extensions: extensionsOf(raw.person.extensions ?? {}),
    partner: nameOrNull(raw.partner),
    timeZone: raw.person.time_zone ?? null,
    street: optional(raw.person.street ?? raw.place?.street),
    roles: [...new Set(raw.roles)],
    source: optional(raw.source),
    message: wordsOrNull(raw.message),
    city: optional(raw.place?.city),
    postalCode: optional(raw.place?.postal_code),
    listing: raw.listing ?? {},
    wants: raw.wants ?? {},
    permissions: raw.permissions ?? {},
    tags: [...new Set(raw.tags.map((tag) => oneLine(storable(tag))))].filter(Boolean),
    onThePhone: raw.on_the_phone,
    language: optional(raw.language),
    assignedTo: raw.assigned_to ? cleanEmail(raw.assigned_to) : null,
  };
}

/** An inquiry with what is known here of the listing that it asks about; what it says itself stays. */
export function withListing(
  inquiry: CleanInquiry,
  known: { number: string; address: string } & Record<'price' | 'latitude' | 'longitude', number | null> &
    Record<'kind' | 'city' | 'postal_code', string | null>,
): CleanInquiry {
  const { number, address, price, kind, latitude, longitude, city, postal_code } = known;
  const facts = { id: number, address, price, kind, latitude, longitude, city, postal_code };
  const there = <T extends object>(values: T) =>
    Object.fromEntries(Object.entries(values).filter(([, value]) => value !== null && value !== undefined && value !== ''));
  return { ...inquiry, listing: { ...there(facts), ...there(inquiry.listing) } };
}

/** What people fill in where something must stand is nobody’s: it stays in the raw inquiry. */
const isTelling = (address: string): boolean => !isPlaceholder(address);
/** Somebody with a way to reach them; or with a name, who filled in something in its place. */
const isReachable = (
  person: RawInquiry['person'],
  { emails, phones }: { emails: string[]; phones: string[] },
  filledIn: number,
): boolean =>
  emails.length + phones.length > 0 || (filledIn > 0 && Boolean(person.first_name?.trim() || person.last_name?.trim()));
const nameOrNull = (name: string | null | undefined): string | null => (name ? cleanName(storable(name)) || null : null);
const wordsOrNull = (words: string | null | undefined): string | null => (words ? storable(words).trim() || null : null);
/** Extensions by the number as we write it. */
const extensionsOf = (given: Record<string, string>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(given).flatMap(([phone, extension]) => {
      const number = cleanPhone(phone);
      return number && extension.trim() ? [[number, extension.trim()]] : [];
    }),
  );
const optional = (text: string | null | undefined): string | null => (text ? oneLine(storable(text)) || null : null);
const invalid = (fields: FieldError[]): AppError =>
  new AppError('input_invalid', 'Couldn’t read the inquiry, so nothing was saved. Fix the fields listed and send it again.', {
    fields,
  });

function collect(
  raw: string[],
  clean: (text: string) => string | null,
  field: string,
  complaint: string,
  errors: FieldError[],
): string[] {
  const found = new Set<string>();
  raw.forEach((text, at) => {
    if (!text.trim()) return;
    const value = clean(text);
    if (value) found.add(value);
    else errors.push({ field: `${field}.${at}`, message: `${text.length > 60 ? `${text.slice(0, 60)}…` : text} ${complaint}` });
  });
  return [...found];
}

/** What the person asked for, in one line, for Today and the timeline. */
export function askOf(inquiry: Pick<CleanInquiry, 'message' | 'listing' | 'wants' | 'city'>): string {
  if (inquiry.message) return inquiry.message;
  if (inquiry.listing.address) return `Asked about ${inquiry.listing.address}`;
  const { bedrooms, price_max: priceMax } = inquiry.wants as { bedrooms?: number; price_max?: number };
  const parts = [
    bedrooms ? `${bedrooms} bedrooms` : 'a home',
    inquiry.city ? `in ${inquiry.city}` : null,
    priceMax ? `up to ${formatMoney(priceMax)}` : null,
  ].filter(Boolean);
  return parts.length > 1 || bedrooms ? `Looking for ${parts.join(' ')}` : 'Asked to be contacted';
}
