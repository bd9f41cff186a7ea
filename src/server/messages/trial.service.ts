/** Trying words on oneself: each message goes to one's own phone or mailbox as it would to a person, by the same providers, and leaves no trace at anybody. */
import { randomUUID } from 'node:crypto';
import { AppError } from '@/core/shared';
import { scopeFor, type User } from '@/core/accounts';
import { CHANNELS } from '@/core/contacts';
import { fillFor, mergeFields, type MergeFields, type Words } from '@/core/messages';
import type { Channel } from '@/core/contacts';
import { showPhone } from '@/core/capture';
import { brokerageName } from '../accounts';
import { readTouchedContacts } from '../campaigns';
import { findContact, listFields } from '../contacts';
import { signatureFor } from './merge-fields';
import { enqueue, readApart, transact, type Tx } from '../shared';

export interface Trial {
  channel: Channel;
  words: Words;
}
const MOST = 60;

/**
 * Sends words to whoever asks. @param contactId whose name and town stand in them; one's own without
 * @returns how many messages are on their way
 * @throws AppError input_invalid for words with errors, or without one's own phone number
 */
export async function sendTrial(user: User, trials: readonly Trial[], contactId: string | null): Promise<{ sent: number }> {
  const scope = scopeFor({ kind: 'user', user });
  const invalid = (message: string) =>
    new AppError('input_invalid', 'Nothing was sent.', { fields: [{ field: 'words', message }] });
  if (!trials.length) throw invalid('there’s nothing to test yet');
  if (trials.length > MOST) throw invalid(`at most ${MOST} messages at once`);
  if (!user.phone && trials.some(({ channel }) => CHANNELS[channel].preview === 'phone'))
    throw invalid('add your own phone number in Setup');
  return transact(async (tx) => {
    const fields = (await listFields(scope.accountId, tx)).map(({ name }) => name);
    const counted = await readApart(
      'counts',
      trials.map(({ channel, words }) => ({ channel, words, fields })),
    );
    const broken = trials.find((_, n) => counted[n]!.errors > 0);
    if (broken) throw invalid('fix the errors in the message first');
    const values = contactId
      ? await ofContact(tx, scope, contactId)
      : await ofMyself(user, await signatureFor({ kind: 'user', user }, tx));
    for (const { channel, words } of trials) {
      const key = `try-${randomUUID()}`;
      const { subject, text, html, files } = fillFor(channel, words, values, { seed: key, textedBefore: false });
      await enqueue(tx, 'messages.try', {
        trial: {
          key,
          userId: user.id,
          channel,
          subject,
          text,
          html,
          files,
        },
      });
    }
    return { sent: trials.length };
  });
}

async function ofContact(tx: Tx, scope: ReturnType<typeof scopeFor>, contactId: string): Promise<MergeFields> {
  await findContact(scope, contactId, tx);
  const people = await readTouchedContacts(tx, [contactId], { household: true, fields: true, listing: true });
  return people.get(contactId)!.fields;
}

async function ofMyself(user: User, signature: string): Promise<MergeFields> {
  return mergeFields({
    firstName: user.firstName,
    firstNames: user.firstName,
    lastName: user.lastName,
    town: null,
    agent: {
      firstName: user.firstName,
      name: `${user.firstName} ${user.lastName}`,
      phone: user.phone ? showPhone(user.phone) : '',
      email: user.email,
      signature,
    },
    brokerage: await brokerageName(user.accountId),
  });
}
