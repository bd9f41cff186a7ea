/**
 * Mails to a lead mailbox: each is kept with what was read from it. A lead becomes an inquiry, an answer goes to its contact, what is
 * no lead is set aside, and what cannot be read waits for a person. Delivered twice, it is taken once.
 */
import type { InquiryInput } from '@/core/capture';
import { createHash } from 'node:crypto';
import { AppError, notFound, pageOf, readCursor, type Page } from '@/core/shared';
import { scopeFor, type Principal, type Scope } from '@/core/accounts';
import { readInquiry, storable, storableJson } from '@/core/capture/schemas';
import {
  inquiryOf,
  applyRules,
  type ExtractionRule,
  type LeadMail,
  type LeadMailView,
  type Mail,
  type MailState,
  type ReadMail,
} from '@/core/mail';
import { captureInquiry, doorOfKind, doorOfSender, noteSender, type CaptureResult, type ArrivalDoor } from '../capture';
import { now, publish, readApart, reader, transact, type Tx, type RowOf } from '../shared';
import type { leadMailsTable } from './lead-mails.model';
import { inboundOf, isContact, receiveMail, recordUnreadAnswer } from './inbox.service';
import { saveExtractionRules, listExtractionRules, type ExtractionMark } from './extraction-rules.repository';

/** What of a body is kept to be looked at. */
const MOST_KEPT = 50_000;

/** The same for each delivery of a mail, also when it names no Message-ID. */
export const deliveryId = (mail: Mail): string =>
  (
    mail.messageId ??
    createHash('sha256')
      .update(JSON.stringify([mail.from, mail.subject, mail.headers.date, mail.text, mail.html]))
      .digest('base64url')
  ).slice(0, 150);

/** Takes a mail in. It is done only when it stands in PostgreSQL. */
export async function receiveLeadMail(writtenTo: ArrivalDoor, received: ReadMail): Promise<void> {
  const { mail, body } = received;
  const id = deliveryId(mail);
  const door = await doorOfSender(writtenTo, mail.from?.address ?? '');
  if (
    await reader().first('select 1 from lead_mails where door_id = any($1::bigint[]) and message_id = $2', [
      [door.id, writtenTo.id],
      id,
    ])
  )
    return;
  const at = await now();
  const rules = await listExtractionRules(door.id, mail.from?.address ?? '');
  const read = rules.length ? await readWithLessons(received, rules) : received.read;
  const { state, inquiryId } = await settle(door, { ...received, read }, id);
  await transact(async (tx) => {
    await writeLeadMail(tx, door, { id, from: mail.from, subject: mail.subject, body, read, state, inquiryId, at, raw: null });
    if (read.kind === 'lead' && mail.from && !read.emails.includes(mail.from.address)) await noteSender(tx, door, mail.from, at);
    await publish(tx, { accountId: door.accountId, topic: 'lead', ownerId: null });
  });
}

/** The reading of a mail with what its door learned; without it, where that takes too long. */
const readWithLessons = ({ read, body }: ReadMail, rules: ExtractionRule[]): Promise<LeadMail> =>
  readApart('rules', { read, body, rules }).catch(() => read);

interface KeptMail {
  id: string;
  from: Mail['from'];
  subject: string;
  body: string;
  read: LeadMail;
  state: MailState;
  inquiryId: string | null;
  at: Date;
  /** As it came, where it could not be read. */
  raw: Buffer | null;
}
const writeLeadMail = (tx: Tx, door: ArrivalDoor, mail: KeptMail): Promise<void> =>
  tx.run(
    `insert into lead_mails (account_id, door_id, message_id, from_address, from_name, subject, body, read, state, inquiry_id, arrived_at, raw)
     values ($1, $2, $3, $4, $5, $6, $7, $8::jsonb, $9, $10, $11, $12) on conflict do nothing`,
    [
      door.accountId,
      door.id,
      mail.id,
      storable(mail.from?.address ?? '').slice(0, 320),
      storable(mail.from?.name ?? '').slice(0, 200),
      storable(mail.subject).slice(0, 500),
      storable(mail.body).slice(0, MOST_KEPT),
      storableJson(mail.read),
      mail.state,
      mail.inquiryId,
      mail.at,
      mail.raw,
    ],
  );

/**
 * Keeps a mail that cannot be read as it came, for a person: the sender is answered that it arrived, since trying again would not help.
 * @param door the mailbox it was written to; null for one to other addresses of ours, whose local parts are `toLocalParts`
 */
export async function saveUnreadMail(door: ArrivalDoor | null, raw: Buffer, toLocalParts: string[] = []): Promise<void> {
  const at = await now();
  await transact(async (tx) => {
    const account = door?.accountId ?? (await tx.first<{ id: string }>('select min(id)::text as id from accounts'))!.id;
    const source = raw.subarray(0, MOST_KEPT).toString('utf8');
    const { from, subject } = headOf(source);
    const id = createHash('sha256').update(raw).digest('base64url');
    if (!door) await recordUnreadAnswer(tx, { id, from: from?.address ?? '', toLocalParts });
    await writeLeadMail(tx, door ?? (await doorOfKind(account, 'mail')), {
      id,
      from,
      subject,
      body: source,
      read: {
        kind: 'needs-a-person',
        because: 'We couldn’t read this email. Its source is shown as it arrived.',
        emails: [],
        phones: [],
        roles: [],
        source: 'Email',
      },
      state: 'waiting',
      inquiryId: null,
      at,
      raw,
    });
    await publish(tx, { accountId: account, topic: 'lead', ownerId: null });
  });
}

/** Sender and subject of a mail's source, as far as they stand there in plain letters. */
function headOf(source: string): { from: Mail['from']; subject: string } {
  const lines = source.slice(0, 20_000).split(/\r?\n/, 200);
  const field = (name: string): string =>
    (lines.find((line) => line.toLowerCase().startsWith(`${name}:`)) ?? '')
      .slice(name.length + 1)
      .trim()
      .slice(0, 500);
  const from = field('from');
  const [, address] = /<([^<>\s]{3,320})>/.exec(from) ?? /^([^<>\s,;:"]{1,200}@[^<>\s,;:"@]{1,200})$/.exec(from) ?? [];
  return { from: address ? { name: '', address } : null, subject: field('subject') || '(no subject)' };
}

/** What becomes of a mail. */
async function settle(
  door: ArrivalDoor,
  received: ReadMail,
  id: string,
): Promise<{ state: MailState; inquiryId: string | null }> {
  const { mail, body, read } = received;
  if (read.kind === 'not-a-lead') return { state: 'set_aside', inquiryId: null };
  const from = mail.from?.address ?? '';
  const theirs = from && (read.emails.includes(from) || read.emails.length === 0);
  if (read.kind === 'reply' || (theirs && (await isContact(door.accountId, from)))) {
    await receiveMail(inboundOf(received, id, []));
    return { state: 'answer', inquiryId: null };
  }
  if (read.kind === 'needs-a-person') return { state: 'waiting', inquiryId: null };
  try {
    const { inquiry } = await take(door, { ...mail, body }, id, inquiryOf(read, door));
    return { state: 'taken', inquiryId: inquiry.id };
  } catch (error) {
    /* What the reader found and the rules of an inquiry refuse is for a person; whatever else failed is tried again by the sender. */
    if (error instanceof AppError && (error.code === 'input_invalid' || error.code === 'idempotency_mismatch'))
      return { state: 'waiting', inquiryId: null };
    throw error;
  }
}

/** The inquiry of a mail. Its key is that of the mail, so that it is one whoever takes it in. */
const take = (
  door: ArrivalDoor,
  { from, subject, body }: { from: Mail['from']; subject: string; body: string },
  id: string,
  form: object,
): Promise<CaptureResult> =>
  captureInquiry({
    door,
    raw: { mail: { from, subject, text: body.slice(0, MOST_KEPT) }, ...form },
    inquiry: readInquiry(form),
    idempotencyKey: `lead-mail:${id}`,
    byPerson: null,
  });

type Row = Pick<
  RowOf<typeof leadMailsTable>,
  | 'id'
  | 'door_id'
  | 'from_name'
  | 'from_address'
  | 'subject'
  | 'body'
  | 'read'
  | 'state'
  | 'inquiry_id'
  | 'message_id'
  | 'arrived_at'
> & {
  door: string;
  kind: ArrivalDoor['kind'];
  source: string | null;
  defaults: ArrivalDoor['defaults'];
};
const SELECT = 'select m.*, d.name as door, d.kind, d.source, d.defaults from lead_mails m join doors d on d.id = m.door_id';
const viewOf = (row: Row): LeadMailView => ({
  id: row.id,
  door: row.door,
  from: { name: row.from_name, address: row.from_address },
  subject: row.subject,
  state: row.state,
  because: row.read.because,
  inquiry_id: row.inquiry_id,
  arrived_at: row.arrived_at,
});

/** Mails of a state, the latest first; for whoever runs the office. */
export async function listLeadMails(
  scope: Scope,
  state: MailState | null,
  limit: number,
  cursor?: string | null,
): Promise<Page<LeadMailView>> {
  const bind: unknown[] = [scope.accountId];
  const after = readCursor(cursor, 2);
  const only = state ? ` and m.state = $${bind.push(state)}` : '';
  const keyset = after
    ? ` and (m.arrived_at, m.id) < ($${bind.push(after[0])}::timestamptz, $${bind.push(after[1])}::bigint)`
    : '';
  const rows = await reader().rows<Row>(
    `${SELECT} where m.account_id = $1${only}${keyset} order by m.arrived_at desc, m.id desc limit $${bind.push(limit + 1)}`,
    bind,
  );
  const page = pageOf(rows, limit, (row) => [row.arrived_at.toISOString(), row.id]);
  return { items: page.items.map(viewOf), next: page.next };
}

async function findRow(accountId: string, id: string): Promise<Row> {
  const row = await reader().first<Row>(`${SELECT} where m.id = $1 and m.account_id = $2`, [id, accountId]);
  if (!row) throw notFound('mail');
  return row;
}
async function findUnsettled(accountId: string, id: string): Promise<Row> {
  const row = await findRow(accountId, id);
  if (row.state === 'taken' || row.state === 'answer') throw new AppError('conflict', 'This email already has its contact.');
  return row;
}

/** One mail with its words and what was read from it, as an inquiry would say it. @throws AppError not_found */
export async function findLeadMail(scope: Scope, id: string): Promise<LeadMailView & { body: string; inquiry: InquiryInput }> {
  const row = await findRow(scope.accountId, id);
  return { ...viewOf(row), body: row.body, inquiry: inquiryOf(row.read, row) };
}

/**
 * Keeps what a person marked in a mail, so that the next of this sender is read so.
 * @returns how many places were learned, and the inquiry that the mail would be now
 */
export async function teachLeadMail(
  principal: Principal,
  id: string,
  marks: ExtractionMark[],
): Promise<{ learned: number; inquiry: InquiryInput }> {
  const { accountId, userId } = scopeFor(principal);
  const row = await findRow(accountId, id);
  const mail = { accountId, doorId: row.door_id, address: row.from_address, body: row.body };
  const learned = await transact((tx) => saveExtractionRules(tx, mail, marks, userId));
  const read = applyRules(row.read, row.body, await listExtractionRules(row.door_id, row.from_address));
  return { learned, inquiry: inquiryOf(read, row) };
}

/** Makes an inquiry of a mail that waited or was set aside, as a person reads it, and learns from what they marked. Twice, it is one. @throws AppError not_found, conflict, input_invalid */
export async function convertToInquiry(
  principal: Principal,
  id: string,
  form: object,
  marks: ExtractionMark[] = [],
): Promise<CaptureResult> {
  const { accountId, userId } = scopeFor(principal);
  const row = await findUnsettled(accountId, id);
  const door = {
    id: row.door_id,
    accountId,
    kind: row.kind,
    name: row.door,
    source: row.source,
    defaults: row.defaults,
  };
  const from = { name: row.from_name, address: row.from_address };
  const captured = await take(door, { from, subject: row.subject, body: row.body }, row.message_id, form);
  if (marks.length) await teachLeadMail(principal, id, marks);
  await settled(id, 'taken', captured.inquiry.id, userId);
  return captured;
}

/** Sets a mail aside that is no lead, or takes it back out to be looked at. @throws AppError not_found, conflict */
export async function setLeadMailAside(principal: Principal, id: string, aside: boolean): Promise<LeadMailView> {
  const { accountId, userId } = scopeFor(principal);
  const row = await findUnsettled(accountId, id);
  const state = aside ? 'set_aside' : 'waiting';
  await settled(id, state, null, userId);
  return { ...viewOf(row), state };
}

async function settled(id: string, state: MailState, inquiryId: string | null, userId: string | null): Promise<void> {
  await transact(async (tx) => {
    await tx.run('update lead_mails set state = $2, inquiry_id = $3, looked_at = $4, looked_by = $5 where id = $1', [
      id,
      state,
      inquiryId,
      await now(tx),
      userId,
    ]);
  });
}
