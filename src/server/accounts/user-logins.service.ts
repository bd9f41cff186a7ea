/** What an admin does about the login of somebody else: a lost second step, sessions that must end. */
import type { Principal, User } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { now, transact, writeAudit } from '../shared';
import { loginOf, tellOfLogin } from './login-mail';
import { endAllSessions, findUser, type LoginClient } from './sessions.service';

/** Whoever works here, not oneself, and not the owner. @throws AppError not_allowed, not_found, conflict */
async function somebodyElse(principal: Principal, userId: string): Promise<User> {
  if (principal.kind !== 'user') throw new AppError('not_allowed', 'API keys can’t do this. Log in instead.');
  const user = await findUser(userId);
  if (!user || user.accountId !== principal.user.accountId) throw notFound('user');
  if (user.id === principal.user.id)
    throw new AppError('conflict', 'For your own login, go to Login and security, or ask another admin.');
  if (user.role === 'owner') throw new AppError('not_allowed', 'Only the owner can change the owner’s login.');
  return user;
}

/**
 * For somebody who lost their phone: takes off what they have as a second step, so that the password is enough until they set up another. They hear
 * of it, and every session of theirs ends.
 * @throws AppError not_found, conflict for oneself
 */
export async function resetSecondStep(principal: Principal, userId: string, client: LoginClient): Promise<void> {
  const user = await somebodyElse(principal, userId);
  await transact(async (tx) => {
    for (const table of ['totp_secrets', 'recovery_codes', 'passkeys'])
      await tx.run(`delete from ${table} where user_id = $1`, [userId]);
    await endAllSessions(tx, userId);
    await writeAudit(tx, principal, user.accountId, 'reset two-step login', { user_id: userId }, await now(tx));
    await tellOfLogin(tx, user, client, {
      subject: 'Your two-step login was reset',
      happened: `An admin reset two-step login for ${await loginOf(user)}`,
      more: 'Log in with your password and set it up again.',
    });
  });
}

/** Logs them out of every browser, as when a phone is lost. @returns how many those were @throws as resetSecondStep */
export async function logOutUser(principal: Principal, userId: string, client: LoginClient): Promise<{ ended: number }> {
  const user = await somebodyElse(principal, userId);
  return transact(async (tx) => {
    const ended = await endAllSessions(tx, userId);
    await writeAudit(tx, principal, user.accountId, 'logged a user out', { user_id: userId, ended }, await now(tx));
    await tellOfLogin(tx, user, client, {
      subject: 'You were logged out',
      happened: `An admin logged ${await loginOf(user)} out everywhere`,
      more: 'Log in again when you need to.',
    });
    return { ended };
  });
}
