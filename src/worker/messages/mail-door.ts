/** The mail door: an SMTP server for answers to our mails, and for strangers who write to us. A mail is taken only once it stands in PostgreSQL. */
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import { oneLine } from '@/core/capture';
import { receiveMail } from '@/server/messages';
import { config } from '@/server/shared';

const MOST_BYTES = 20 * 1024 * 1024;
const refuse = (code: number, message: string): Error => Object.assign(new Error(message), { responseCode: code });

/** RFC 3834, and what older machines say instead. */
const isAutomatic = (mail: ParsedMail): boolean => {
  const auto = String(mail.headers.get('auto-submitted') ?? 'no').toLowerCase();
  return (
    auto !== 'no' ||
    /^(bulk|junk|auto_reply|list)$/i.test(String(mail.headers.get('precedence') ?? '')) ||
    mail.headers.has('x-autoreply')
  );
};

export function mailDoor(log: (message: string, error: unknown) => void): SMTPServer {
  const { mailDomain } = config();
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    disableReverseLookup: true,
    logger: false,
    size: MOST_BYTES,
    onRcptTo: (address, _session, done) =>
      done(
        address.address.toLowerCase().endsWith(`@${mailDomain}`)
          ? undefined
          : refuse(550, 'We take mail for our own domain only'),
      ),
    onData: (stream, session, done) => {
      simpleParser(stream)
        .then(async (mail) => {
          if (stream.sizeExceeded) throw refuse(552, 'The mail is too large');
          const from = mail.from?.value[0];
          if (!from?.address) throw refuse(554, 'The mail does not say who it is from');
          await receiveMail({
            messageId: mail.messageId ?? `${session.id}-${from.address}`,
            from: from.address,
            fromName: oneLine(from.name ?? ''),
            toLocalParts: session.envelope.rcptTo.map(({ address }) => address.slice(0, address.lastIndexOf('@')).toLowerCase()),
            subject: oneLine(mail.subject ?? ''),
            text: mail.text ?? '',
            autoReply: isAutomatic(mail),
          });
        })
        .then(() => done())
        .catch((error: Error & { responseCode?: number }) => {
          if (!error.responseCode) log('a mail could not be taken in; its sender will try again', error);
          done(error.responseCode ? error : refuse(451, 'Try again later'));
        });
    },
  });
}
