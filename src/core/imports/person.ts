/** A person as one row or card of a file says, and the doubts a careful reader would have about it. */
import type { Channel, ContactRole } from '../contacts';

export const DOUBTS = {
  'bad-date': 'a date that can’t be read',
  'bad-email': 'not a valid email address',
  'bad-encoding': 'letters lost when the file was saved',
  'bad-phone': 'not a valid phone number',
  'control-characters': 'unusual characters',
  'cut-off': 'the card ends in the middle',
  formula: 'a formula where a name should be',
  'no-name': 'no name',
  'no-way-to-reach': 'no email, phone, or mailing address',
  'nul-bytes': 'null characters',
  'open-quote': 'a quotation mark that’s never closed',
  'shared-email': 'an email address that others in the file also have',
  'too-long': 'text too long for a name or address',
  'too-many-cells': 'more cells than headings, so some may be in the wrong column',
  'unclear-permission': 'a permission that’s neither yes nor no',
} as const;
/** Why a cell is doubtful. */
export type DoubtReason = keyof typeof DOUBTS;

/** A doubtful cell, with what it may be. */
export interface Doubt {
  reason: DoubtReason;
  /** What exactly, in words: `there is no 02/30/1980`. */
  why: string;
}

/** A postal address as a file gave it. */
export interface PostalAddress {
  street?: string;
  city?: string;
  postalCode?: string;
}

/** The second person of a row. */
export interface Partner {
  first: string;
  last: string;
  emails: string[];
  phones: string[];
  birthday: string | null;
}

/** Days are `YYYY-MM-DD`, or `--MM-DD` without a year. Phones are E.164. */
export interface ImportedPerson {
  /** From 1, in the order of the file. */
  row: number;
  first: string;
  last: string;
  company: string | null;
  emails: string[];
  phones: string[];
  /** By phone. */
  extensions: Record<string, string>;
  fax: string | null;
  address: PostalAddress | null;
  region: string | null;
  country: string | null;
  propertyAddress: string | null;
  birthday: string | null;
  anniversary: string | null;
  closingDate: string | null;
  roles: ContactRole[];
  tags: string[];
  stage: string | null;
  horizon: string | null;
  /** What a buyer or renter looks for, as the contact holds it. */
  wants: Record<string, number | string | string[]>;
  source: string | null;
  owner: string | null;
  permissions: Partial<Record<Channel, 'granted' | 'withdrawn'>>;
  partner: Partner | null;
  custom: Record<string, string>;
  notes: string | null;
  /** The identity of a card, for cards that name each other. */
  uid: string | null;
  partnerUid: string | null;
  doubts: Doubt[];
  /** The cells as they came, for the file of what was not taken. */
  raw?: string[];
}

export const emptyPerson = (row: number): ImportedPerson => ({
  row,
  first: '',
  last: '',
  company: null,
  emails: [],
  phones: [],
  extensions: {},
  fax: null,
  address: null,
  region: null,
  country: null,
  propertyAddress: null,
  birthday: null,
  anniversary: null,
  closingDate: null,
  roles: [],
  tags: [],
  stage: null,
  horizon: null,
  wants: {},
  source: null,
  owner: null,
  permissions: {},
  partner: null,
  custom: {},
  notes: null,
  uid: null,
  partnerUid: null,
  doubts: [],
});

/** Notes a doubt once per reason and wording. */
export function doubt(person: ImportedPerson, reason: DoubtReason, why: string): void {
  if (!person.doubts.some((one) => one.reason === reason && one.why === why)) person.doubts.push({ reason, why });
}

/** The doubts that only the whole person shows: nobody to call by name, no way to reach them. */
export function doubtWhole(person: ImportedPerson): void {
  const reachable = person.emails.length + person.phones.length > 0 || Boolean(person.address?.street);
  if (!person.first && !person.last && !person.company) doubt(person, 'no-name', 'the row has no name');
  if (!reachable) doubt(person, 'no-way-to-reach', 'no email, phone, or mailing address');
}
