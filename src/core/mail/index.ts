export { inquiryOf } from './inquiry';
export { isMachineMade } from './kind';
export { bodyOf, readLeadMail } from './read';
export type { LeadMail, LeadMailView, MailState } from './views';
export type { Mail, Mailbox, MailKind } from './mail';
