/** The mailboxes of the simulated world: an SMTP server that takes what the application sends. */
import { simpleParser, type AddressObject } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import type { SimulatorWorld } from './world';

const refuse = (code: number, message: string): Error => Object.assign(new Error(message), { responseCode: code });
const firstAddress = (field: AddressObject | AddressObject[] | undefined): string =>
  (Array.isArray(field) ? field[0] : field)?.value[0]?.address ?? '';

export function mailboxes(world: SimulatorWorld): SMTPServer {
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    disableReverseLookup: true,
    logger: false,
    onConnect: (_session, done) => done(world.sky.get().email === 'down' ? refuse(421, 'the mail server is down') : undefined),
    onRcptTo: (address, _session, done) =>
      done(world.people.bounces(address.address) ? refuse(550, `no such mailbox: ${address.address}`) : undefined),
    onData: (stream, session, done) => {
      simpleParser(stream, { skipTextToHtml: true })
        .then((mail) =>
          world.sky.under<Error | undefined>(
            'email',
            () => {
              const messageId = mail.messageId ?? '';
              for (const recipient of session.envelope.rcptTo) {
                world.takeMail({
                  key: messageId.replace(/^<|@.*$/g, ''),
                  from: firstAddress(mail.from),
                  to: recipient.address,
                  replyTo: firstAddress(mail.replyTo) || firstAddress(mail.from),
                  subject: mail.subject ?? '',
                  body: mail.text ?? '',
                  messageId,
                  html: typeof mail.html === 'string' ? mail.html : '',
                  extra: { list_unsubscribe: headerText(mail.headers.get('list')), date: mail.date },
                });
              }
              return undefined;
            },
            () => refuse(451, 'try again later'),
          ),
        )
        .then((error) => done(error))
        .catch((error: Error) => done(error));
    },
  });
}

/** mailparser folds the List-* headers into one object. */
const headerText = (list: unknown): unknown => (list as { unsubscribe?: { url?: string } } | undefined)?.unsubscribe?.url ?? null;
