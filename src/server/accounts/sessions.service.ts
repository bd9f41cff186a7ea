/** Logging in and out. A session is a random cookie whose hash stands in PostgreSQL; it is new at each login and gone at logout. Sessions live on real time. */
import { hash, verify } from '@node-rs/argon2';
import { AppError } from '@/core/shared';
import { type User } from '@/core/accounts';
import { hashed, now, randomToken, reader, writeAudit, transact, type RowOf } from '../shared';
import { afterRightLogin, afterWrongLogin, beforeLogin } from './login-delay.service';
import { sessionsTable } from './sessions.model';
import { usersTable } from './users.model';

const SESSION_DAYS = 14;
export const SESSION_SECONDS = SESSION_DAYS * 86_400;

export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

const personOf = (user: RowOf<typeof usersTable>): User => ({
  id: user.id,
  accountId: user.account_id,
  officeId: user.office_id,
  role: user.role,
  firstName: user.first_name,
  lastName: user.last_name,
  email: user.email,
  phone: user.phone,
  timeZone: user.time_zone,
  dayGoal: user.day_goal,
});

/** A hash that no password matches, so that an unknown address takes as long as a known one. */
let decoy: Promise<string> | undefined;

/**
 * Checks e-mail and password and opens a session, ending the one the browser came with.
 * @returns the token for the cookie
 * @param from the address of whoever tries
 * @throws AppError login_wrong; too_many for an address that tried wrongly too often and too soon
 */
export async function logIn(email: string, password: string, from: string, oldToken?: string): Promise<string> {
  const address = email.trim().toLowerCase().slice(0, 254);
  await beforeLogin(address, from);
  const user = await usersTable.find({ email: address, active: true });
  decoy ??= hashPassword(randomToken());
  const right = await verify(user?.password_hash ?? (await decoy), password.slice(0, 1000));
  if (!user || !right) {
    await afterWrongLogin(address, from);
    throw new AppError('login_wrong', 'That email and password don’t match. Check both and try again.');
  }
  await afterRightLogin(address, from);
  const token = randomToken();
  if (oldToken) await sessionsTable.remove({ token_hash: hashed(oldToken) });
  await sessionsTable.insert({
    token_hash: hashed(token),
    user_id: user.id,
    expires_at: new Date(Date.now() + SESSION_SECONDS * 1000),
  });
  await transact(async (tx) =>
    writeAudit(tx, { kind: 'user', user: personOf(user) }, user.account_id, 'logged in', {}, await now(tx)),
  );
  return token;
}

/** The person whose session this is; null when it has ended, is unknown, or the person may no longer come in. */
export async function personOfSession(token: string): Promise<User | null> {
  const session = await sessionsTable.find({ token_hash: hashed(token) });
  if (!session || session.expires_at.getTime() < Date.now()) return null;
  const user = await usersTable.find({ id: session.user_id });
  return user?.active ? withColleagues(personOf(user)) : null;
}

/** With those whose leads they see as well, by a roster that shows all its leads to those on it. */
async function withColleagues(user: User): Promise<User> {
  if (user.role !== 'agent') return user;
  const rows = await reader().rows<{ id: string }>(
    `select distinct o.user_id as id from roster_members m join rosters r on r.id = m.roster_id and r.sees = 'all' and r.deleted_at is null join roster_members o on o.roster_id = r.id and o.state = 'in'
     where m.user_id = $1 and m.state = 'in' and o.user_id <> $1`,
    [user.id],
  );
  return { ...user, colleagues: rows.map(({ id }) => id) };
}

/** Somebody who works here, by id; null when they left. */
export async function findUser(id: string): Promise<User | null> {
  const user = await usersTable.find({ id });
  return user?.active ? withColleagues(personOf(user)) : null;
}

export async function logOut(token: string): Promise<void> {
  await sessionsTable.remove({ token_hash: hashed(token) });
}
