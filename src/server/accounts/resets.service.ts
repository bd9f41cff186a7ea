/**
 * A forgotten password: a link by mail, good once and for half an hour. Whether an address has a login here is told to nobody: who asks gets the
 * same answer as fast, and what becomes of it is seen in the mailbox alone. On real time.
 */
import { randomUUID } from 'node:crypto';
import type { User } from '@/core/accounts';
import { enqueue, hashed, randomToken, reader, transact } from '../shared';
import { countReset } from './login-delay.service';
import { passwordResetsTable } from './password-resets.model';
import { findUser } from './sessions.service';
import { usersTable } from './users.model';

export const RESET_MINUTES = 30;
/** Links that one person is mailed within that time, whoever asks. */
const MOST_LINKS = 5;

/** @param from the network address of whoever asks @throws AppError too_many for one that asks for very many */
export async function askForReset(email: string, from: string): Promise<void> {
  await countReset(from);
  const address = email.trim().toLowerCase().slice(0, 254);
  await transact((tx) => enqueue(tx, 'accounts.reset', { reset: { key: `reset-${randomUUID()}`, email: address } }));
}

/** Makes a link for whoever has that address, if anybody has. @returns its token, the only copy; null when no mail is to go */
export async function makeReset(email: string): Promise<{ user: User; token: string } | null> {
  const row = await usersTable.find({ email, active: true });
  const user = row && (await findUser(row.id));
  if (!user) return null;
  const made = await reader().first<{ n: number }>(
    'select count(*)::int as n from password_resets where user_id = $1 and ends_at > clock_timestamp()',
    [user.id],
  );
  if (made!.n >= MOST_LINKS) return null;
  const token = randomToken();
  await passwordResetsTable.insert({
    token_hash: hashed(token),
    user_id: user.id,
    ends_at: new Date(Date.now() + RESET_MINUTES * 60_000),
  });
  return { user, token };
}

export const sweepResets = (): Promise<void> => reader().run('delete from password_resets where ends_at < clock_timestamp()');
