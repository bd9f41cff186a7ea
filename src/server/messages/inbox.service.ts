/** What people answer: texts by the carrier's webhook, e-mails by the mail door. Each is taken once; a stranger's message is an inquiry. */
import { CONVERSATION_CHANNEL } from '@/core/conversations';
import { cleanPhone, oneLine } from '@/core/capture';
import { namesAgree, type Agreement } from '@/core/identity';
import type { ReadMail } from '@/core/mail';
import { readInquiry } from '@/core/capture/schemas';
import { ownWords } from '@/core/messages';
import type { User } from '@/core/accounts';
import type { AnsweredBy } from '@/core/routing';
import { findUser } from '../accounts';
import { captureInquiry, doorOfKind } from '../capture';
import { acceptOffer, answeredByMail, answeredByText, declineOffer } from '../routing';
import { recordActivities } from '../contacts';
import { carryOutRefusal, isEnd, refusalOf, refusedByStranger, restAndAsk, type Answer } from './refusals';
import { answerConversation } from '../conversations';
import { mailToken, nameSql, now, readMailToken, transact, type Tx } from '../shared';

/** The purpose under which reply addresses are signed. */
const REPLY_PURPOSE = 'reply';

/** The token in the reply address of mails to a contact point. */
export const mailTokenFor = (pointId: string): string => mailToken(REPLY_PURPOSE, pointId);

export interface InboundText {
  eventId: string;
  from: string;
  to: string;
  body: string;
  at: Date;
}

export interface InboundMail {
  messageId: string;
  from: string;
  fromName: string;
  /** Local parts of the recipients of ours. */
  toLocalParts: string[];
  subject: string;
  text: string;
  autoReply: boolean;
}

interface Known {
  contactId: string;
  accountId: string;
  address: string;
  /** Others have the address as well. */
  shared?: boolean;
}

/**
 * True the first time an event of a source is seen. The row stands or falls with the transaction that records the answer; a
 * stranger's event is marked by its inquiry, under the same key, so that a crash between the two neither loses nor doubles it.
 */
const firstTime = async (tx: Tx, source: 'text' | 'mail', eventId: string): Promise<boolean> =>
  (
    await tx.rows(
      `insert into received (source, event_id) select $1, $2 where not exists (
         select 1 from inquiries where door_id in (select id from doors where kind = 'mail') and idempotency_key = $3)
       on conflict do nothing returning event_id`,
      [source, eventId.slice(0, 300), keyOf(source, eventId)],
    )
  ).length > 0;

/** The idempotency key of the inquiry that a stranger's message becomes. */
const keyOf = (source: 'text' | 'mail', eventId: string): string => `${source}:${eventId}`;

/** What people of the house may do by answering a text or mail about a lead. */
const OFFERS = {
  accept: (user: User, offerId: string, by: AnsweredBy) => acceptOffer({ kind: 'user', user }, offerId, by),
  decline: (user: User, offerId: string, by: AnsweredBy) => declineOffer({ kind: 'user', user }, offerId, by),
  person: findUser,
};

/** Whose number a text was sent to decides the account; the sender's number decides the contact. */
export async function receiveText(text: InboundText): Promise<void> {
  const from = cleanPhone(text.from) ?? text.from;
  if (await answeredByText(from, text.body, OFFERS)) return;
  const stranger = await transact(async (tx) => {
    const accountId = await accountOfNumber(tx, text.to);
    const known = await knownBy(tx, accountId, 'phone', from);
    if (!known) {
      const refused = await refusedByStranger(tx, { accountId, channel: 'text', address: from, body: text.body, at: text.at });
      return refused ? null : { accountId };
    }
    if (!(await firstTime(tx, 'text', text.eventId))) return null;
    await recordAnswer(tx, known, { channel: 'text', from, to: text.to, body: text.body, at: text.at, autoReply: false });
    return null;
  });
  if (stranger) {
    const { accountId } = stranger;
    await fromStranger(
      accountId,
      { first_name: '', last_name: '', emails: [], phones: [from] },
      'Text message',
      text.body,
      keyOf('text', text.eventId),
    );
  }
}

async function accountOfNumber(tx: Tx, to: string): Promise<string> {
  const row = await tx.first<{ account_id: string }>(
    `select account_id from (select account_id, 0 as rank from users where phone = $1 union all select min(id), 1 from accounts) a order by rank limit 1`,
    [cleanPhone(to) ?? to],
  );
  return row!.account_id;
}

interface Holder {
  contact_id: string;
  account_id: string;
  name: string;
}
/** Those who have an address, whoever was last written to there first. */
const holdersOf = (tx: Tx, accountId: string | null, kind: 'phone' | 'email', value: string): Promise<Holder[]> =>
  tx.rows<Holder>(
    `select p.contact_id, p.account_id, ${nameSql('c')} as name from contact_points p join contacts c on c.id = p.contact_id
     where p.account_id in (select id from accounts where $1::bigint is null or id = $1) and p.kind = $2 and p.value = $3 and p.active
     order by p.account_id, (select max(o.sent_at) from outbox o where o.contact_id = p.contact_id and o.address = p.value) desc nulls last, p.contact_id limit 50`,
    [accountId, kind, value],
  );

const NAMES_IN_ORDER: readonly Agreement[] = ['same', 'open', 'doubtful', 'other'];
/** Of those who share an address the one whose name the message has; otherwise whoever was written to last. */
function likeliest(holders: Holder[], name: string): Holder | undefined {
  if (!name || holders.length < 2) return holders[0];
  const place = (holder: Holder): number => NAMES_IN_ORDER.indexOf(namesAgree(name, holder.name));
  return [...holders].sort((a, b) => place(a) - place(b))[0];
}

const knownBy = async (
  tx: Tx,
  accountId: string | null,
  kind: 'phone' | 'email',
  value: string,
  name = '',
): Promise<Known | null> => {
  const holders = await holdersOf(tx, accountId, kind, value);
  const holder = likeliest(holders, name);
  return holder
    ? { contactId: holder.contact_id, accountId: holder.account_id, address: value, shared: holders.length > 1 }
    : null;
};

/** Whether an address is that of a contact of the account. */
export const isContact = async (accountId: string, email: string): Promise<boolean> =>
  transact(async (tx) => (await knownBy(tx, accountId, 'email', email.toLowerCase())) !== null);

/** A mail as an answer. @param id the same for each of its deliveries */
export const inboundOf = ({ mail, body, machineMade }: ReadMail, id: string, toLocalParts: string[]): InboundMail => ({
  messageId: id,
  from: mail.from?.address ?? '',
  fromName: oneLine(mail.from?.name ?? ''),
  toLocalParts,
  subject: oneLine(mail.subject),
  text: body,
  autoReply: machineMade,
});

/** A mail that came in: an answer when its address or its sender is known, otherwise an inquiry. */
export async function receiveMail(mail: InboundMail): Promise<void> {
  const from = mail.from.toLowerCase();
  if (!mail.autoReply && (await answeredByMail(mail.toLocalParts, from, ownWords(mail.text), OFFERS))) return;
  const strangersAccount = await transact(async (tx) => {
    const known = (await knownByToken(tx, mail.toLocalParts)) ?? (await knownBy(tx, null, 'email', from, mail.fromName));
    if (known) {
      if (!(await firstTime(tx, 'mail', mail.messageId))) return null;
      await recordAnswer(tx, known, {
        channel: 'email',
        from,
        to: '',
        subject: mail.subject,
        body: ownWords(mail.text),
        at: await now(tx),
        autoReply: mail.autoReply,
      });
      return null;
    }
    if (mail.autoReply) return null;
    const accountId = (await tx.first<{ id: string }>('select min(id)::text as id from accounts'))!.id;
    const text = ownWords(mail.text) || mail.subject;
    const refused = await refusedByStranger(tx, { accountId, channel: 'email', address: from, body: text, at: await now(tx) });
    return refused ? null : accountId;
  });
  if (strangersAccount) {
    const [first = '', ...rest] = mail.fromName.split(' ');
    await fromStranger(
      strangersAccount,
      { first_name: first, last_name: rest.join(' '), emails: [from], phones: [] },
      'Email',
      `${mail.subject}\n\n${mail.text}`.slice(0, 20_000),
      keyOf('mail', mail.messageId),
    );
  }
}

/**
 * A mail that could not be read, where it can be told who wrote: they answered, whatever they said. What goes by itself stops as for
 * any answer, and their agent is told to read it.
 * @param from the address that the mail's head names, as far as one can be seen there
 */
export async function recordUnreadAnswer(tx: Tx, mail: { id: string; from: string; toLocalParts: string[] }): Promise<void> {
  const from = mail.from.toLowerCase();
  const known = (await knownByToken(tx, mail.toLocalParts)) ?? (from ? await knownBy(tx, null, 'email', from) : null);
  if (!known || !(await firstTime(tx, 'mail', mail.id))) return;
  const body = 'They answered, but we couldn’t read the email. It’s in Intake as it arrived.';
  await recordAnswer(tx, known, { channel: 'email', from: known.address, to: '', body, at: await now(tx), autoReply: false });
}

async function knownByToken(tx: Tx, localParts: string[]): Promise<Known | null> {
  for (const part of localParts) {
    const token = /^reply\+(.+)$/.exec(part)?.[1];
    const pointId = token && readMailToken(REPLY_PURPOSE, token);
    if (!pointId) continue;
    const row = await tx.first<{ contact_id: string; account_id: string; value: string }>(
      'select contact_id, account_id, value from contact_points where id = $1',
      [pointId],
    );
    if (row) return { contactId: row.contact_id, accountId: row.account_id, address: row.value };
  }
  return null;
}

async function recordAnswer(
  tx: Tx,
  known: Known,
  answer: { channel: 'text' | 'email'; from: string; to: string; subject?: string; body: string; at: Date; autoReply: boolean },
): Promise<void> {
  const message: Answer = { ...answer, accountId: known.accountId, contactId: known.contactId, address: known.address };
  if (!message.body.trim()) message.body = answer.subject ?? '';
  const refused = answer.autoReply ? null : await refusalOf(tx, message);
  const ends = refused !== null && isEnd(refused.refusal);
  const withdrawals = refused ? await carryOutRefusal(tx, message, refused.refusal, refused.who) : [];
  await recordActivities(tx, known.accountId, [
    {
      contactId: known.contactId,
      userId: null,
      at: answer.at,
      kind: 'message',
      channel: answer.channel,
      direction: 'in',
      data: {
        text: answer.body,
        subject: answer.subject,
        from: answer.from,
        to: answer.to || undefined,
        autoReply: answer.autoReply || undefined,
        shared: known.shared || undefined,
        optOut: ends || undefined,
        refusal: refused?.refusal.kind,
      },
      because: null,
    },
    ...withdrawals,
  ]);
  if (answer.autoReply) return;
  if (refused?.refusal.kind === 'unclear')
    await recordActivities(tx, known.accountId, await restAndAsk(tx, message, refused.who));
  else if (!ends && answer.channel === CONVERSATION_CHANNEL)
    await answerConversation(tx, known.contactId, answer.body, answer.at);
  await tx.run('update contacts set unread_at = coalesce(unread_at, $2), wrote_at = greatest(wrote_at, $2) where id = $1', [
    known.contactId,
    answer.at,
  ]);
}

async function fromStranger(accountId: string, person: object, source: string, message: string, eventId: string): Promise<void> {
  const raw = { person, source, message };
  await captureInquiry({
    door: await doorOfKind(accountId, 'mail'),
    raw,
    inquiry: readInquiry({ ...raw, roles: ['buyer'] }),
    idempotencyKey: eventId,
    byPerson: null,
  });
}
