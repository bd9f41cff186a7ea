/**
 * The mail door: an SMTP server for mails to lead mailboxes, for answers to our mails, and for strangers who write to us. A mail is
 * taken only once it stands in PostgreSQL; until then its sender keeps it.
 */
import { SMTPServer } from 'smtp-server';
import { doorOfAddress, isMailboxAddress, type Door } from '@/server/capture';
import { AppError } from '@/core/shared';
import type { ReadMail } from '@/core/mail';
import { deliveryId, inboundOf, saveUnreadMail, receiveLeadMail, receiveMail, receiveReturned } from '@/server/messages';
import { config, now, readApart } from '@/server/shared';

const MOST_BYTES = 20 * 1024 * 1024;
const MOST_RECIPIENTS = 50;
/** Connections at a time, and how long one may say nothing. */
const MOST_CLIENTS = 100;
const SILENCE_MS = 60_000;
const refuse = (code: number, message: string): Error => Object.assign(new Error(message), { responseCode: code });

const localPart = (address: string): string => address.slice(0, address.lastIndexOf('@')).toLowerCase();

/** An address that has the form of a lead mailbox and is none: it was changed. */
const isGone = async (local: string): Promise<boolean> => isMailboxAddress(local) && (await doorOfAddress(local)) === null;

/** The whole of a mail as it came; what is too large is read to its end and thrown away. */
async function whole(stream: NodeJS.ReadableStream & { sizeExceeded: boolean }): Promise<Buffer> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of stream) {
    size += (part as Buffer).length;
    if (size <= MOST_BYTES) parts.push(part as Buffer);
  }
  if (stream.sizeExceeded || size > MOST_BYTES) throw refuse(552, 'The mail is too large');
  return Buffer.concat(parts);
}

/** Whether the same may succeed later: PostgreSQL is away, two changes met. Only then the sender keeps the mail and tries again. */
const mayPass = (error: unknown): boolean => error instanceof AppError && error.facts.retry === true;

type Complain = (message: string, error: unknown) => void;

/** Takes a mail in wherever it was written to. What never passes is kept as it came, for a person. */
async function takeIn(raw: Buffer, locals: string[], complain: Complain): Promise<void> {
  const doors = new Map<string, Door>();
  const others: string[] = [];
  const orKept = async (door: Door | null, take: () => Promise<void>): Promise<void> => {
    try {
      await take();
    } catch (error) {
      if (mayPass(error)) throw error;
      complain('a mail could not be read and was kept for a person', error);
      await saveUnreadMail(door, raw, door ? [] : others);
    }
  };
  for (const local of new Set(locals)) {
    const door = await doorOfAddress(local);
    if (door) doors.set(door.id, door);
    else others.push(local);
  }
  const read: ReadMail | AppError = await readApart('mail', { raw, at: await now() }, raw.length).catch(
    (error: AppError) => error,
  );
  if (read instanceof AppError) {
    for (const door of [...doors.values(), ...(others.length ? [null] : [])]) await orKept(door, () => Promise.reject(read));
    return;
  }
  if (!read.mail.from && !read.returned) throw refuse(554, 'The mail does not say who it is from');
  const id = deliveryId(read.mail);
  if (read.returned && (await receiveReturned(read.returned, id))) return;
  for (const door of doors.values()) await orKept(door, () => receiveLeadMail(door, read));
  if (others.length) await orKept(null, () => receiveMail(inboundOf(read, id, others)));
}

export function mailDoor(log: Complain): SMTPServer {
  const { mailDomain } = config();
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    disableReverseLookup: true,
    logger: false,
    size: MOST_BYTES,
    maxClients: MOST_CLIENTS,
    socketTimeout: SILENCE_MS,
    onRcptTo: ({ address }, { envelope }, done) => {
      if (!address.toLowerCase().endsWith(`@${mailDomain}`)) return done(refuse(550, 'We take mail for our own domain only'));
      if (envelope.rcptTo.length >= MOST_RECIPIENTS) return done(refuse(452, 'Too many recipients'));
      isGone(localPart(address)).then(
        (gone) => done(gone ? refuse(550, 'There is no such mailbox any more') : undefined),
        () => done(refuse(451, 'Try again later')),
      );
    },
    onData: (stream, session, done) => {
      whole(stream)
        .then((raw) =>
          takeIn(
            raw,
            session.envelope.rcptTo.map(({ address }) => localPart(address)),
            log,
          ),
        )
        .then(() => done())
        .catch((error: Error & { responseCode?: number }) => {
          if (!error.responseCode) log('a mail could not be taken in; its sender will try again', error);
          done(error.responseCode ? error : refuse(451, 'Try again later'));
        });
    },
  });
}
