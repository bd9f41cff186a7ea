/** Writing to one person by hand: a text, an e-mail or a letter. It goes by the outbox like everything else, under the same guardrails. */
import { randomUUID } from 'node:crypto';
import { AppError } from '@/core/shared';
import { DEFAULT_SETTINGS, scopeFor, type Principal } from '@/core/accounts';
import { mayTouch, type Verdict } from '@/core/campaigns';
import { mailingAddress } from '../campaigns';
import { sentenceOf, type Channel } from '@/core/contacts';
import { storable } from '@/core/capture/schemas';
import { readSettings } from '../accounts';
import { addressesOf, findContact, lockContact, permissionFor, readPermissions } from '../contacts';
import { now, transact, wakeWorkers, type Tx } from '../shared';

const MOST = { text: 1_600, email: 50_000, letter: 4_000 } as const;

/** Asks the guardrails whether somebody may be touched by hand now. */
export async function askGuardrails(
  tx: Tx,
  principal: Principal,
  contactId: string,
  channel: Channel,
): Promise<{ verdict: Verdict; address: string | null }> {
  const scope = scopeFor(principal);
  const contact = await findContact(scope, contactId, tx);
  const address =
    channel === 'letter' ? mailingAddress(contact.place) : ((channel === 'email' ? contact.emails : contact.phones)[0] ?? null);
  const [said] = addressesOf(channel, contact);
  const details = await readPermissions(tx, scope.accountId, said ? [said] : []);
  const lastIn = await tx.first<{ last_in_at: Date | null }>('select last_in_at from contact_facts where contact_id = $1', [
    contactId,
  ]);
  const verdict = mayTouch(
    {
      channel,
      automatic: false,
      now: await now(tx),
      timeZone: contact.time_zone,
      stage: contact.stage.key,
      doNotContact: contact.do_not_contact,
      address,
      addressFault: address ? (contact.address_faults[address] ?? null) : null,
      permission: permissionFor(details, channel, said),
      wroteAt: lastIn?.last_in_at ?? null,
      onThePhone: false,
    },
    { ...DEFAULT_SETTINGS, ...(await readSettings(scope.accountId, tx)) },
  );
  return { verdict, address };
}

/**
 * Sends a message by hand. In quiet hours it waits until they end, and the answer says so.
 * @throws AppError input_invalid when empty or too long; touch_refused when the guardrails say no
 */
export async function sendMessage(
  principal: Principal,
  contactId: string,
  message: { channel: 'text' | 'email' | 'letter'; subject?: string | null; text: string },
): Promise<{ id: string; waits_until: Date | null; because: string | null }> {
  const text = storable(message.text).trim();
  if (!text)
    throw new AppError('input_invalid', 'The message is empty; nothing was sent.', {
      fields: [{ field: 'text', message: 'write something first' }],
    });
  if (text.length > MOST[message.channel]) {
    throw new AppError('input_invalid', 'The message is too long; nothing was sent.', {
      fields: [{ field: 'text', message: `at most ${MOST[message.channel].toLocaleString('en-US')} characters` }],
    });
  }
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    const contact = await lockContact(scope, contactId, tx);
    const { verdict, address } = await askGuardrails(tx, principal, contactId, message.channel);
    if (verdict.go === false) throw new AppError('touch_refused', sentenceOf(verdict.because));
    const at = await now(tx);
    const row = await tx.first<{ id: string }>(
      `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at) values ($1, $2, $3, $4, $5, $6, $7::jsonb, false, $8, $8) returning id`,
      [
        scope.accountId,
        `m-${randomUUID()}`,
        message.channel,
        contactId,
        principal.kind === 'person' ? principal.person.id : contact.ownerId,
        address,
        JSON.stringify({
          subject: message.subject
            ? storable(message.subject).replace(/\s+/g, ' ').slice(0, 200)
            : message.channel === 'email'
              ? 'A word from us'
              : null,
          text,
        }),
        at,
      ],
    );
    await wakeWorkers(tx);
    return {
      id: row!.id,
      waits_until: verdict.go === 'later' ? verdict.at : null,
      because: verdict.go === 'later' ? sentenceOf(verdict.because) : null,
    };
  });
}
