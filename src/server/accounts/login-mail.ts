/** What somebody is told of their own login by mail, so that a stranger's doing is seen at once. */
import { randomUUID } from 'node:crypto';
import type { User } from '@/core/accounts';
import { DEFAULT_FORMAT, formatOf } from '@/core/format';
import { enqueue, type Tx } from '../shared';
import { deviceWords } from './devices';
import type { LoginClient } from './sessions.service';
import { brokerageName } from './users.repository';

/**
 * @param happened the beginning of a sentence that goes on with when and where: `Your password was changed`
 * @param more sentences after it
 */
export async function tellOfLogin(
  tx: Tx,
  user: User,
  { from, agent = '' }: LoginClient,
  { subject, happened, more = '' }: { subject: string; happened: string; more?: string },
): Promise<void> {
  const when = formatOf(DEFAULT_FORMAT).dayAndTime(new Date(), user.timeZone);
  const text = [
    `Hi ${user.firstName},`,
    `${happened} on ${when}, in ${deviceWords(agent)} (network address ${from}).${more && ` ${more}`}`,
    'If this was you, you’re all set. If it wasn’t, ask an owner or admin of your office to deactivate your login right away.',
  ].join('\n\n');
  await enqueue(tx, 'accounts.mail', { mail: { key: `login-${randomUUID()}`, userId: user.id, subject, text } });
}

/** The login as its owner knows it: the address, and where. */
export const loginOf = async (user: User): Promise<string> => `${user.email} at ${await brokerageName(user.accountId)}`;
