/** Logging in by email and password. */
import { AppError } from '@/core/shared';
import { hashed, now, randomToken, transact, writeAudit } from '../shared';
import { auditFailure } from './login-audit';
import { afterRightLogin, afterWrongLogin, beforeLogin } from './login-delay.service';
import { beginSecondStep, stepsOf } from './second-step.service';
import { findUser, hashPassword, openSession, passwordFits, type LoginClient } from './sessions.service';
import { sessionsTable } from './sessions.model';
import { usersTable } from './users.model';

/** A hash that no password matches, so that an unknown address takes as long as a known one. */
let decoy: Promise<string> | undefined;

/** How far somebody got: in, with the token of a session; or to the second step, with the token that it is done with. */
export type LoggedIn = { userId: string; token: string; step: 'in' | 'second' };

/**
 * Checks e-mail and password and opens a session, ending the one the browser came with; whoever has an authenticator app is asked for its code first.
 * @throws AppError login_wrong; too_many for an address that tried wrongly too often and too soon
 */
export async function logIn(email: string, password: string, client: LoginClient, oldToken?: string): Promise<LoggedIn> {
  const { from } = client;
  const address = email.trim().toLowerCase().slice(0, 254);
  await beforeLogin(address, from);
  const user = await usersTable.find({ email: address, active: true });
  decoy ??= hashPassword(randomToken());
  const right = await passwordFits(user?.password_hash ?? (await decoy), password);
  if (!user || !right) {
    await afterWrongLogin(address, from);
    /* Not waited for: how long an answer takes must not tell whether the address has a login here. */
    if (user) void auditFailure(user.account_id, { email: address, from, how: 'password' }).catch(() => {});
    throw new AppError('login_wrong', 'That email and password don’t match. Check both and try again.');
  }
  await afterRightLogin(address, from);
  const person = (await findUser(user.id))!;
  return transact(async (tx) => {
    if (oldToken) await sessionsTable.remove({ token_hash: hashed(oldToken) }, tx);
    const { totp, passkeyOnly } = await stepsOf(person, tx);
    if (passkeyOnly) throw new AppError('login_wrong', 'Your office asks for two-step login. Log in with your passkey.');
    if (totp) return { userId: user.id, token: await beginSecondStep(tx, user.id), step: 'second' };
    await writeAudit(tx, { kind: 'user', user: person }, user.account_id, 'logged in', {}, await now(tx));
    return { userId: user.id, token: await openSession(tx, user.id, client), step: 'in' };
  });
}
