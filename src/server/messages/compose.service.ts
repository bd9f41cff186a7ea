/** Writing to one person by hand: a text, an e-mail or a letter. It goes by the outbox like everything else, under the same guardrails. */
import { formatNumber } from '@/core/format';
import { randomUUID } from 'node:crypto';
import { AppError } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import { mayTouch, type Verdict } from '@/core/campaigns';
import { CHANNELS, namesTogether, sentenceOf, type Channel, type ContactView, type SendChannel } from '@/core/contacts';
import { storable } from '@/core/capture/schemas';
import { readSettings } from '../accounts';
import { isConnected } from './connected';
import { signatureFor } from './merge-fields';
import {
  addressesOf,
  deliveryAddress,
  pointKind,
  findContact,
  findContacts,
  findContactWithPermissions,
  lockContact,
  permissionFor,
  readPermissions,
} from '../contacts';
import { now, transact, wakeWorkers, type Tx } from '../shared';

/**
 * Asks the guardrails whether somebody may be touched by hand now.
 * @param chosen which of their addresses; the first that works, when none is chosen
 * @throws AppError input_invalid for one that isn't theirs
 */
export async function askGuardrails(
  tx: Tx,
  principal: Principal,
  contactId: string,
  channel: Channel,
  chosen?: string,
): Promise<{ verdict: Verdict; address: string | null }> {
  const scope = scopeFor(principal);
  const contact = await findContact(scope, contactId, tx);
  if (chosen && !addressesOf(channel, contact).includes(chosen))
    throw new AppError('input_invalid', 'That isn’t one of their numbers anymore.', {
      fields: [{ field: 'number', message: 'isn’t one of theirs' }],
    });
  const address = chosen ?? deliveryAddress(channel, contact);
  const subject = pointKind(channel) ? (address ?? undefined) : addressesOf(channel, contact)[0];
  const details = await readPermissions(tx, scope.accountId, subject ? [subject] : []);
  const known = await tx.first<{
    last_in_at: Date | null;
    last_inquiry_at: Date | null;
    registered: boolean;
    unchecked: boolean;
    says_no: boolean;
  }>(
    `select f.last_in_at, f.last_inquiry_at, coalesce(h.do_not_contact, false) as says_no, exists (select 1 from contact_points p where p.contact_id = f.contact_id and p.active and p.value = $2 and p.registered) as registered,
       exists (select 1 from contact_points p where p.contact_id = f.contact_id and p.active and p.value = $2 and p.registry_at is null) as unchecked
     from contact_facts f join contacts c on c.id = f.contact_id left join households h on h.id = c.household_id where f.contact_id = $1`,
    [contactId, address],
  );
  const verdict = mayTouch(
    {
      channel,
      automatic: false,
      now: await now(tx),
      timeZone: contact.time_zone,
      stage: contact.stage.key,
      doNotContact: contact.do_not_contact,
      address,
      addressError: address ? (contact.address_errors[address] ?? null) : null,
      permission: permissionFor(details, channel, subject),
      wroteAt: known?.last_in_at ?? null,
      householdSaysNo: known?.says_no ?? false,
      registry: {
        registered: known?.registered ?? false,
        unchecked: known?.unchecked ?? false,
        inquiredAt: known?.last_inquiry_at ?? null,
      },
      onThePhone: false,
      touched: [],
    },
    await readSettings(scope.accountId, tx),
  );
  return { verdict, address };
}

export interface OutgoingMessage {
  channel: SendChannel;
  subject?: string | null;
  text: string;
  /** To everybody of the household: one letter with all names, a text or an e-mail to each. */
  both?: boolean;
}
export interface SendResult {
  id: string;
  waits_until: Date | null;
  because: string | null;
  /** The others of the household to whom it went as well, and those to whom it did not, with the reason. */
  others: { name: string; because: string | null; sent: boolean }[];
}

/**
 * Sends a message by hand; an e-mail ends with the signature of whoever wrote it. In quiet hours it waits until they end, and the answer says so.
 * @throws AppError input_invalid when empty or too long; touch_refused when the guardrails say no
 */
export async function sendMessage(principal: Principal, contactId: string, message: OutgoingMessage): Promise<SendResult> {
  const words = storable(message.text).trim();
  if (!words)
    throw new AppError('input_invalid', 'The message is empty; nothing was sent.', {
      fields: [{ field: 'text', message: 'write something first' }],
    });
  const { mostCharacters, isForHousehold, hasBlocks } = CHANNELS[message.channel];
  if (words.length > mostCharacters) {
    throw new AppError('input_invalid', 'The message is too long; nothing was sent.', {
      fields: [{ field: 'text', message: `at most ${formatNumber(mostCharacters)} characters` }],
    });
  }
  return transact(async (tx) => {
    const signature = hasBlocks ? await signatureFor(principal, tx) : '';
    const text = words.endsWith(signature) ? words : `${words}\n\n${signature}`;
    const others = message.both ? await othersOfHousehold(tx, principal, contactId) : [];
    const willing: SendResult['others'] = [];
    for (const other of others) {
      const { verdict } = await askGuardrails(tx, principal, other.id, message.channel);
      const refused = verdict.go === false ? sentenceOf(verdict.because) : null;
      if (!isForHousehold && !refused) await putOut(tx, principal, other.id, { ...message, text }, null);
      willing.push({ name: namesTogether([other]), because: refused, sent: refused === null });
    }
    const together = others.filter((_, n) => willing[n]!.sent);
    const names =
      isForHousehold && together.length
        ? namesTogether([await findContact(scopeFor(principal), contactId, tx), ...together])
        : null;
    const { id, verdict } = await putOut(tx, principal, contactId, { ...message, text }, names);
    await wakeWorkers(tx);
    const noWay = (await isConnected(scopeFor(principal).accountId, message.channel))
      ? null
      : sentenceOf({ why: 'not_connected', channel: message.channel });
    return {
      id,
      waits_until: verdict.go === 'later' ? verdict.at : null,
      because: verdict.go === 'later' ? sentenceOf(verdict.because) : noWay,
      others: willing,
    };
  });
}

/** The others of a household whom this person may see. */
async function othersOfHousehold(tx: Tx, principal: Principal, contactId: string): Promise<ContactView[]> {
  const scope = scopeFor(principal);
  const { household } = await findContactWithPermissions(scope, contactId, tx);
  const found = await findContacts(
    scope,
    household.map(({ id }) => id),
    tx,
  );
  return [...found.values()];
}

/** One message into the outbox. @param names whom a letter addresses, when they are more than one */
async function putOut(
  tx: Tx,
  principal: Principal,
  contactId: string,
  message: OutgoingMessage,
  names: string | null,
): Promise<{ id: string; verdict: Exclude<Verdict, { go: false }> }> {
  const scope = scopeFor(principal);
  const contact = await lockContact(scope, contactId, tx);
  const { verdict, address } = await askGuardrails(tx, principal, contactId, message.channel);
  if (verdict.go === false) throw new AppError('touch_refused', sentenceOf(verdict.because));
  const subject = message.subject
    ? storable(message.subject).replace(/\s+/g, ' ').slice(0, 200)
    : CHANNELS[message.channel].hasBlocks
      ? 'A note from us'
      : null;
  const row = await tx.first<{ id: string }>(
    `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at) values ($1, $2, $3, $4, $5, $6, $7::jsonb, false, $8, $8) returning id`,
    [
      scope.accountId,
      `m-${randomUUID()}`,
      message.channel,
      contactId,
      principal.kind === 'user' ? principal.user.id : contact.ownerId,
      address,
      JSON.stringify({ subject, text: message.text, ...(names ? { names } : {}) }),
      await now(tx),
    ],
  );
  return { id: row!.id, verdict };
}
