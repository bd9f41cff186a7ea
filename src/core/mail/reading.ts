/** A mail with all that is read from it at once, apart from whoever takes it in: what the reader of src/worker/reading answers. */
import { isMachineMade } from './kind';
import type { LeadMail, Mail } from './mail';
import { bodyOf, readLeadMail } from './read';
import { readReturned, type Returned } from './bounces';

/** A mail read: its words, and what they say. */
export interface ReadMail {
  mail: Mail;
  /** Its words as a person reads them. */
  body: string;
  read: LeadMail;
  /** What it reports of a mail of ours that came back. */
  returned: Returned | null;
  /** Written by a program: an absence, a delivery report. */
  machineMade: boolean;
}

/** @param mail as far as it is read (`boundedMail`) @param at the day of the mail */
export const readWholeMail = (mail: Mail, at: Date | null): ReadMail => ({
  mail,
  body: bodyOf(mail),
  read: readLeadMail(mail, at),
  returned: readReturned(mail),
  machineMade: isMachineMade(mail),
});
