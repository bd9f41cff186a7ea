/**
 * A new password of one's own: with the old one, or by a link that was mailed. It is none that is tried first; every session ends, and whose it is
 * is told by mail.
 */
import { fullName, type User } from '@/core/accounts';
import { passwordProblem } from '@/core/accounts/passwords';
import { AppError } from '@/core/shared';
import { hashed, now, reader, transact, writeAudit, type Tx } from '../shared';
import { loginOf, tellOfLogin } from './login-mail';
import { afterRightLogin, afterWrongLogin, beforeLogin } from './login-delay.service';
import { endAllSessions, findUser, hashPassword, openSession, passwordFits, type LoginClient } from './sessions.service';
import { brokerageName } from './users.repository';
import { usersTable } from './users.model';

const refused = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Your password wasn’t changed.', { fields: [{ field, message }] });

/**
 * Changes somebody's own password. A wrong one counts as a wrong login: whoever sits at an open page guesses no faster.
 * @returns the token of a new session, which takes the place of the one that asks
 * @throws AppError input_invalid, too_many
 */
export async function changePassword(
  user: User,
  { current_password, new_password }: { current_password: string; new_password: string },
  client: LoginClient,
): Promise<string> {
  await beforeLogin(user.email, client.from);
  const before = await usersTable.find({ id: user.id });
  if (!before || !(await passwordFits(before.password_hash, current_password))) {
    await afterWrongLogin(user.email, client.from);
    throw refused('current_password', 'That isn’t your current password');
  }
  await afterRightLogin(user.email, client.from);
  if (new_password === current_password) throw refused('new_password', 'That’s the one you have now');
  const password_hash = await newHash(user, new_password);
  return transact(async (tx) => {
    await replaceHash(tx, user, password_hash, client, 'changed their password');
    return openSession(tx, user.id, client);
  });
}

/** Whose link it is; null once it was used, is too old, or for somebody who may no longer come in. */
export async function findReset(token: string): Promise<User | null> {
  const row = await reader().first<{ user_id: string }>(
    'select user_id from password_resets where token_hash = $1 and ends_at > clock_timestamp()',
    [hashed(token)],
  );
  return row && findUser(row.user_id);
}

/**
 * Sets the password of whoever was mailed the link, which ends it and all others of theirs.
 * @throws AppError input_invalid for a password that may not be one, and the link stays; not_found for a link that is none any more
 */
export async function resetPassword(token: string, password: string, client: LoginClient): Promise<void> {
  const user = await findReset(token);
  if (!user) throw endedLink();
  const password_hash = await newHash(user, password);
  await transact(async (tx) => {
    const used = await tx.rows(
      'delete from password_resets where token_hash = $1 and ends_at > clock_timestamp() returning user_id',
      [hashed(token)],
    );
    if (!used.length) throw endedLink();
    await tx.run('delete from password_resets where user_id = $1', [user.id]);
    await replaceHash(tx, user, password_hash, client, 'reset their password by email');
  });
  await afterRightLogin(user.email, client.from);
}
const endedLink = () => new AppError('not_found', 'This link was used already, or it’s too old. Ask for a new one.');

/**
 * The hash of a new password.
 * @param about words that somebody would try first with this person: names, email, brokerage
 * @param refuse makes the error of what is wrong with it
 */
export async function goodHash(password: string, about: string[], refuse: (message: string) => AppError): Promise<string> {
  const problem = passwordProblem(password, [...about, 'urraca']);
  if (problem) throw refuse(problem);
  return hashPassword(password);
}

const newHash = async (user: User, password: string): Promise<string> =>
  goodHash(password, [fullName(user), user.email, await brokerageName(user.accountId)], (message) =>
    refused('new_password', message),
  );

/** @param what as the audit tells it */
async function replaceHash(tx: Tx, user: User, password_hash: string, client: LoginClient, what: string): Promise<void> {
  await tx.run('update users set password_hash = $2 where id = $1', [user.id, password_hash]);
  await endAllSessions(tx, user.id);
  await writeAudit(tx, { kind: 'user', user }, user.accountId, what, {}, await now(tx));
  await tellOfLogin(tx, user, client, {
    subject: 'Your password was changed',
    happened: `The password for ${await loginOf(user)} was changed`,
    more: 'Every other device was logged out.',
  });
}
