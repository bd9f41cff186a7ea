/**
 * Logging in and out. A session is a random cookie whose hash stands in PostgreSQL; it is new at each login and each new password, ends when it is
 * not used for a week or is a month old, and is gone at logout. Sessions live on real time.
 */
import { hash, verify } from '@node-rs/argon2';
import { AppError, notFound } from '@/core/shared';
import type { SessionView, User } from '@/core/accounts';
import { hashed, now, randomToken, reader, writeAudit, transact, type RowOf, type Tx } from '../shared';
import { deviceWords } from './devices';
import { afterRightLogin, afterWrongLogin, beforeLogin } from './login-delay.service';
import { sessionsTable } from './sessions.model';
import { usersTable } from './users.model';

const DAY_SECONDS = 86_400;
/** However much it is used. */
export const SESSION_SECONDS = 30 * DAY_SECONDS;
/** Without being used. */
const IDLE_SECONDS = 7 * DAY_SECONDS;
/** When it was last used is written no more often. */
const SEEN_SECONDS = 300;

/** Where somebody logs in from, and by what. */
export interface LoginClient {
  /** The network address. */
  from: string;
  /** The User-Agent header. */
  agent?: string;
}

export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

/** A hash that is none fits nothing. */
export const passwordFits = (passwordHash: string, password: string): Promise<boolean> =>
  verify(passwordHash, password.slice(0, 1000)).catch(() => false);

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
 * @throws AppError login_wrong; too_many for an address that tried wrongly too often and too soon
 */
export async function logIn(email: string, password: string, client: LoginClient, oldToken?: string): Promise<string> {
  const { from } = client;
  const address = email.trim().toLowerCase().slice(0, 254);
  await beforeLogin(address, from);
  const user = await usersTable.find({ email: address, active: true });
  decoy ??= hashPassword(randomToken());
  const right = await passwordFits(user?.password_hash ?? (await decoy), password);
  if (!user || !right) {
    await afterWrongLogin(address, from);
    throw new AppError('login_wrong', 'That email and password don’t match. Check both and try again.');
  }
  await afterRightLogin(address, from);
  return transact(async (tx) => {
    if (oldToken) await sessionsTable.remove({ token_hash: hashed(oldToken) }, tx);
    await writeAudit(tx, { kind: 'user', user: personOf(user) }, user.account_id, 'logged in', {}, await now(tx));
    return openSession(tx, user.id, client);
  });
}

/** Opens a session. @returns the token for its cookie */
export async function openSession(tx: Tx, userId: string, { from, agent = '' }: LoginClient): Promise<string> {
  const token = randomToken();
  await sessionsTable.insert(
    {
      token_hash: hashed(token),
      user_id: userId,
      expires_at: new Date(Date.now() + SESSION_SECONDS * 1000),
      from_address: from.slice(0, 60),
      device: agent.slice(0, 400),
    },
    tx,
  );
  return token;
}

/** The person whose session this is; null when it has ended, is unknown, or the person may no longer come in. */
export async function personOfSession(token: string): Promise<User | null> {
  const session = await sessionsTable.find({ token_hash: hashed(token) });
  if (!session || session.expires_at.getTime() < Date.now()) return null;
  const unused = (Date.now() - session.last_seen_at.getTime()) / 1000;
  if (unused > IDLE_SECONDS) return null;
  if (unused > SEEN_SECONDS)
    await reader().run('update sessions set last_seen_at = clock_timestamp() where token_hash = $1', [session.token_hash]);
  const user = await usersTable.find({ id: session.user_id });
  return user?.active ? withColleagues(personOf(user)) : null;
}

/** The browsers in which somebody is logged in, the one that asks first, then the last used. */
export async function listSessions(user: User, token: string | null): Promise<SessionView[]> {
  const rows = await reader().rows<Omit<SessionView, 'device'> & { agent: string }>(
    `select id, device as agent, from_address as from, created_at, last_seen_at, token_hash = $2 as current from sessions
     where user_id = $1 and expires_at > clock_timestamp() and last_seen_at > clock_timestamp() - make_interval(secs => $3)
     order by token_hash = $2 desc, last_seen_at desc, id desc limit 100`,
    [user.id, hashed(token ?? ''), IDLE_SECONDS],
  );
  return rows.map(({ agent, ...session }) => ({ ...session, device: deviceWords(agent) }));
}

/** Logs one of their browsers out. @throws AppError not_found */
export async function endSession(user: User, id: string): Promise<void> {
  await transact(async (tx) => {
    const gone = await tx.rows('delete from sessions where id = $1 and user_id = $2 returning id', [id, user.id]);
    if (!gone.length) throw notFound('session');
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'logged a device out', {}, await now(tx));
  });
}

/** Logs all their browsers out but the one that asks. @returns how many */
export async function endOtherSessions(user: User, token: string | null): Promise<{ ended: number }> {
  return transact(async (tx) => {
    const ended = await removeOthers(tx, user.id, token);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'logged out everywhere else', { ended }, await now(tx));
    return { ended };
  });
}

const removeOthers = async (tx: Tx, userId: string, token: string | null): Promise<number> =>
  (await tx.rows('delete from sessions where user_id = $1 and token_hash <> $2 returning id', [userId, hashed(token ?? '')]))
    .length;

/** Ends every session of somebody. */
export const endAllSessions = (tx: Tx, userId: string): Promise<number> => removeOthers(tx, userId, null);

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
