/** A mail as the core reads it, whoever parsed it, and what is recognised in it. */
import type { Channel, ContactRole } from '../contacts';

/** A mail address with its name. */
export interface Mailbox {
  name: string;
  address: string;
}

/** A mail decoded to text. Bodies that it does not have are empty. */
export interface Mail {
  messageId: string | null;
  from: Mailbox | null;
  replyTo: Mailbox[];
  subject: string;
  /** By name in small letters. */
  headers: Record<string, string>;
  text: string;
  html: string;
  /** Attachments that are text: documents, cards. */
  attached: { type: string; name: string; text: string }[];
  /** Mails that are attached as such. */
  mails: Mail[];
}

/** What a mail is: a lead, an answer, neither, or for a person to say. */
export type MailKind = 'lead' | 'not-a-lead' | 'reply' | 'needs-a-person';

/** What a buyer or renter looks for; money in whole units of the currency. */
export interface MailWants {
  priceMin?: number;
  priceMax?: number;
  bedsMin?: number;
  bathsMin?: number;
  areas?: string[];
}

/** What a mail says of a lead. What it does not say is not there. */
export interface LeadMail {
  kind: MailKind;
  /** Why it is of this kind, for a person to read. */
  because: string;
  name?: { first: string | null; last: string | null };
  partner?: { first: string | null; last: string | null };
  emails: string[];
  /** E.164. */
  phones: string[];
  /** By phone. */
  extensions?: Record<string, string>;
  roles: ContactRole[];
  /** Nothing was said of it; most who write look for a home. */
  roleAssumed?: boolean;
  message?: string;
  listing?: { id?: string; address?: string; price?: number };
  wants?: MailWants;
  permissions?: Partial<Record<Channel, 'granted' | 'withdrawn'>>;
  /** A day (2027-02-15) as far as the mail says. */
  moveDate?: string;
  source: string;
  /** Of a forwarded mail: what the mail itself came by. */
  origin?: string;
}

/** A label with what stands beside, below or behind it; `path` are the groups around it in a document, the outermost first. */
export interface Entry {
  label: string;
  value: string;
  path?: string[];
}

/** A body taken apart: what has a label, and the lines that have none. */
export interface MailSections {
  entries: Entry[];
  prose: string[];
}
