export { readLeadMail } from './read';
export type { LeadMail, Mail, Mailbox, MailKind } from './mail';
