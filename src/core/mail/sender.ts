/** Who sent a mail: a person, or a service for somebody; and whom an answer reaches. */
import { named, type Draft } from './draft';
import { isPassedOn, serviceOf } from './forwards';
import type { Mail, Mailbox } from './mail';
import { senderName } from './values';

/** Senders that are machines or desks, by what stands before the @. */
export const DESK =
  /^(?:no-?reply|do-?not-?reply|info|inquir\p{L}*|anfragen?|avisos?|billing|accounts?|invoices?|payments?|orders?|security|verify|quiz|customer-?(?:care|service)|care|leads?|calls?|notif\p{L}*|alerts?|events?|classifieds|small-?ads|notices?|submissions?|responses?|listings?|portal|forms?|form-post|web(?:site|form|master)?|ads?|post|results?|office|team|hello|contact|support|mailer|news|moves|service|system|surveys?|feedback|ratings?|reviews?|admin|robot|bot|chat\p{L}*|voice-?mails?|vm|phones?|telephony|pbx|sms|widget|referrals?|concierge|dispatch\p{L}*|desk|switchboard|bulletin|relay|gateway|gw|(?:web)?hooks?|push|feed|submit|apply|booking\p{L}*|scans?|digest|reception\p{L}*|bounce\p{L}*)(?:[+._-].*)?$/iu;
/** `SignRing <events@signring.example>`: a service; `Mia Wallis <mia@miawallis.example>` is a person all the same. */
const isCalledLikeItsDomain = ({ name, address }: Mailbox): boolean => {
  const called = name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const [local = '', domain = ''] = address.toLowerCase().split('@');
  const same = called.length > 3 && called === domain.split('.')[0]!.replace(/-/g, '');
  return same && (!/\s/.test(name.trim()) || !called.startsWith(local));
};
/** Whether a service sent it, so that whoever it is about stands in its words. */
export const isServiceSender = (mail: Mail): boolean =>
  !mail.from || isService(mail.from) || (mail.from.name !== '' && !senderName(mail.from.name));
const isService = (from: Mailbox): boolean =>
  isPassedOn(from.name) || DESK.test(from.address.split('@')[0]!) || isCalledLikeItsDomain(from);
/** Taken for a service only because what its sender is called is nobody's name. */
export const isOnlyCalledOddly = ({ from }: Mail): boolean => from !== null && !isService(from);

/** Whether an answer goes to another domain than the sender's. */
const isTheirs = ({ from, replyTo }: Mail): boolean =>
  replyTo[0]!.address.split('@')[1]?.toLowerCase() !== from?.address.split('@')[1]?.toLowerCase();

/** What the source is called when the mail itself names none. */
export const sourceOf = (mail: Mail, isServiceMail: boolean): string => {
  const name = serviceOf(mail.from?.name ?? '');
  return isServiceMail && name ? name : 'Direct e-mail';
};

/** Whoever an answer goes to is the lead, when it is not the service itself. */
export function answersTo(mail: Mail, draft: Draft): void {
  const to = mail.replyTo[0];
  if (draft.emails.length || !to || !isTheirs(mail)) return;
  draft.emails.push(to.address.toLowerCase());
  if (!draft.first && !draft.last) Object.assign(draft, named(senderName(to.name)));
}
