/** What is gathered while a mail is read, and what several of its readers do with it. */
import { type Phone } from '../capture';
import type { Channel, ContactRole } from '../contacts';
import type { MailWants } from './mail';
import type { NameFound } from './values';

/** What is gathered while a mail is read. */
export interface Draft {
  first: string | null;
  last: string | null;
  partner: { first: string | null; last: string | null } | null;
  emails: string[];
  phones: Phone[];
  message: string;
  listing: { id?: string; address?: string; price?: number };
  wants: MailWants;
  permissions: Partial<Record<Channel, 'granted' | 'withdrawn'>>;
  moveDate?: string;
  /** Words that tell what the lead wants to do. */
  cues: string[];
  /** What it chose from a list of them. */
  chosen: ContactRole[];
}
export const blank = (): Draft => ({
  first: null,
  last: null,
  partner: null,
  emails: [],
  phones: [],
  message: '',
  listing: {},
  wants: {},
  permissions: {},
  cues: [],
  chosen: [],
});

export const unique = <T>(list: T[]): T[] => [...new Set(list)];
/** Adds numbers that are not there yet. */
export const addPhones = (draft: Draft, phones: Phone[]): void => {
  for (const phone of phones) if (!draft.phones.some(({ number }) => number === phone.number)) draft.phones.push(phone);
};
/** A text on one line. */
export const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();
/** A text without the quotation marks around it. */
export const unquoted = (text: string): string =>
  text
    .trim()
    .replace(/^["“„«']+|["”“»']+$/g, '')
    .trim();

/** A name as the parts of a draft. */
export const named = (who: NameFound | null): Partial<Draft> => (who ? { first: who.first, last: who.last } : {});

/** How much a draft tells, to choose between readings of the same mail. */
export const worth = (draft: Draft): number =>
  (draft.first || draft.last ? 2 : 0) +
  (draft.emails.length ? 2 : 0) +
  (draft.phones.length ? 2 : 0) +
  (draft.message ? 1 : 0) +
  (draft.listing.id || draft.listing.address ? 1 : 0);
