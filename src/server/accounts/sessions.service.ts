/**
 * Sessions. One is a random cookie whose hash stands in PostgreSQL; it is new at each login and each new password, ends when it is
 * not used for a week or is a month old, and is gone at logout. Sessions live on real time.
 */
import { hash, verify } from '@node-rs/argon2';
import { AppError, notFound } from '@/core/shared';
import type { ChosenRight, SessionView, User } from '@/core/accounts';
import { hashed, now, randomToken, reader, writeAudit, transact, type RowOf, type Tx } from '../shared';
import { deviceWords } from './devices';
import { afterRightLogin, afterWrongLogin, beforeLogin } from './login-delay.service';
import { sessionsTable } from './sessions.model';
import { usersTable } from './users.model';

const DAY_SECONDS = 86_400;
/** So long after the password was typed it is not asked for again. */
const CONFIRMED_SECONDS = 1_800;
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
  return findUser(session.user_id);
}

/** Whether a session has proved who it is lately: at login, or by the password since. */
export async function isConfirmed(token: string): Promise<boolean> {
  const row = await reader().first<{ fresh: boolean }>(
    'select confirmed_at > clock_timestamp() - make_interval(secs => $2) as fresh from sessions where token_hash = $1',
    [hashed(token), CONFIRMED_SECONDS],
  );
  return row?.fresh ?? false;
}

/** The password again, in the middle of a session. @throws AppError input_invalid, too_many */
export async function confirmSession(user: User, token: string, password: string, { from }: LoginClient): Promise<void> {
  await beforeLogin(user.email, from);
  const row = await usersTable.find({ id: user.id });
  if (!row || !(await passwordFits(row.password_hash, password))) {
    await afterWrongLogin(user.email, from);
    throw new AppError('input_invalid', 'That isn’t your password.', {
      fields: [{ field: 'password', message: 'That isn’t your password' }],
    });
  }
  await afterRightLogin(user.email, from);
  await reader().run('update sessions set confirmed_at = clock_timestamp() where token_hash = $1', [hashed(token)]);
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

/** With what follows from elsewhere: a role of the brokerage's own, the team they lead, rosters whose leads they see as well, whether they must set up a second step first. */
async function whole(user: User): Promise<User> {
  const more = await reader().first<{ needs: boolean; shared: string[]; team: string[]; rights: ChosenRight[] | null }>(
    `select coalesce(a.settings->'secondStepRoles', '[]') ? $2
         and not exists (select 1 from totp_secrets t where t.user_id = $1 and t.confirmed_at is not null)
         and not exists (select 1 from passkeys p where p.user_id = $1) as needs,
       array(select r.id::text from roster_members m join rosters r on r.id = m.roster_id and r.sees = 'all' and r.deleted_at is null
         where $2 = 'agent' and m.user_id = $1 and m.state = 'in' order by r.id) as shared,
       array(select distinct t.user_id::text from teams l join team_members t on t.team_id = l.id and t.user_id <> $1
         where $2 = 'agent' and l.lead_id = $1 and l.deleted_at is null) as team,
       (select c.rights from users u join custom_roles c on c.id = u.custom_role_id and c.deleted_at is null where u.id = $1) as rights
     from accounts a where a.id = $3`,
    [user.id, user.role, user.accountId],
  );
  return {
    ...user,
    ...(more?.needs && { needsSecondStep: true }),
    ...(more?.rights && { rights: more.rights }),
    ...(user.role === 'agent' && { sharedRosters: more?.shared ?? [], team: more?.team ?? [] }),
  };
}

/** Somebody who works here, by id; null when they left. */
export async function findUser(id: string): Promise<User | null> {
  const user = await usersTable.find({ id });
  return user?.active ? whole(personOf(user)) : null;
}

export async function logOut(token: string): Promise<void> {
  await sessionsTable.remove({ token_hash: hashed(token) });
}
