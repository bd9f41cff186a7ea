/** What pages and API answers show of the mails that came to a lead mailbox. Dates are instants. */
import type { LeadMail } from './mail';

export type { LeadMail };
/** Became an inquiry; was an answer to us; set aside as no lead; waits for a person. */
export type MailState = 'taken' | 'answer' | 'set_aside' | 'waiting';

/** A lead mail as Intake shows it. */
export interface LeadMailView {
  id: string;
  door: string;
  from: { name: string; address: string };
  subject: string;
  state: MailState;
  /** Why it is taken for what it is. */
  because: string;
  inquiry_id: string | null;
  arrived_at: Date;
}
