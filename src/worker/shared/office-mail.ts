/** A mail of the office to one of its own people: what each of these has in common. */
import type { OutgoingMail } from '@/providers/mail';
import type { ProviderAnswer } from '@/core/messages';
import { config } from '@/server/shared';
import type { Providers } from './providers';

type OfficeMail = Pick<OutgoingMail, 'accountId' | 'key' | 'fromName' | 'to' | 'subject' | 'text' | 'at'> &
  Partial<Pick<OutgoingMail, 'replyTo' | 'html' | 'attachments'>>;

/** Its own mailbox, where what people answer comes in; null where nothing comes in. */
export const officeMailbox = (): string | null => (config().receivesMail ? `agents@${config().mailDomain}` : null);

/** The mail in full. It advertises nothing, so nobody unsubscribes from it. */
export const officeMail = (mail: OfficeMail): OutgoingMail => ({
  replyTo: officeMailbox(),
  unsubscribeUrl: null,
  postalAddress: null,
  ...mail,
});

export const sendOfficeMail = (outside: Providers, mail: OfficeMail): Promise<ProviderAnswer> =>
  outside.mail.send(officeMail(mail));
