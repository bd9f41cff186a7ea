/**
 * Inviting somebody to work here: by mail, or by a link that is passed on. A link is good once and for a week; a new one takes the place of the
 * one before. The user is made when it is accepted, with a password of their own. On real time.
 */
import { randomUUID } from 'node:crypto';
import { fullName, type User, type UserInvitationInput, type UserInvitationView } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { config, enqueue, hashed, nameSql, now, randomToken, reader, transact, writeAudit, type RowOf, type Tx } from '../shared';
import { goodHash } from './passwords.service';
import { findUser, openSession, type LoginClient } from './sessions.service';
import { userInvitationsTable } from './user-invitations.model';
import { usersTable } from './users.model';

export type InvitationRow = RowOf<typeof userInvitationsTable>;

export const INVITATION_DAYS = 7;
const until = (): Date => new Date(Date.now() + INVITATION_DAYS * 86_400_000);
const linkOf = (token: string): string => `${config().publicUrl}/join/${token}`;
const OPEN = 'accepted_at is null and revoked_at is null';

const refused = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'The invitation wasn’t sent.', { fields: [{ field, message }] });

/** Those that nobody has accepted, the newest first. */
export const listUserInvitations = (accountId: string): Promise<UserInvitationView[]> =>
  reader().rows<UserInvitationView>(
    `select i.id, i.email, i.role, ${nameSql('i')} as name, o.name as office, ${nameSql('u')} as invited_by, i.made_at, i.ends_at,
       i.ends_at < clock_timestamp() as ended, i.mailed_at, i.mail_error
     from user_invitations i join users u on u.id = i.invited_by left join offices o on o.id = i.office_id where i.account_id = $1 and ${OPEN.replaceAll(/(accepted|revoked)/g, 'i.$1')} order by i.id desc`,
    [accountId],
  );

/**
 * Invites somebody. Whether the address has a login at another brokerage is not told here: who gets the link learns it.
 * @returns the link where it is to be passed on, the only copy of it
 * @throws AppError input_invalid for somebody who works here, or is invited already
 */
export async function inviteUser(user: User, input: UserInvitationInput): Promise<{ id: string; link: string | null }> {
  const email = input.email.trim().toLowerCase();
  const { accountId } = user;
  return transact(async (tx) => {
    const works = await usersTable.find({ email, account_id: accountId }, tx);
    if (works) throw refused('email', works.active ? 'Already works here' : 'Worked here before. Reactivate them instead');
    if (input.office_id && !(await isOfAccount(tx, 'offices', accountId, input.office_id)))
      throw refused('office_id', 'Choose an office');
    if (input.roster_id && !(await isOfAccount(tx, 'rosters', accountId, input.roster_id)))
      throw refused('roster_id', 'Choose a roster');
    const open = await tx.rows(`select 1 from user_invitations where account_id = $1 and email = $2 and ${OPEN}`, [
      accountId,
      email,
    ]);
    if (open.length) throw refused('email', 'Already invited. Send the invitation again instead');
    const { id } = await userInvitationsTable.insert(
      {
        account_id: accountId,
        email,
        role: input.role,
        office_id: input.office_id ?? null,
        /* A lender gets no leads to work. */
        roster_id: input.role === 'lender' ? null : (input.roster_id ?? null),
        first_name: input.first_name?.trim() ?? '',
        last_name: input.last_name?.trim() ?? '',
        invited_by: user.id,
        ends_at: until(),
      },
      tx,
    );
    await writeAudit(tx, { kind: 'user', user }, accountId, 'invited a user', { email, role: input.role }, await now(tx));
    return { id, link: await pass(tx, id, input.by) };
  });
}

/** Invites once more: with a new link, good for another week. @throws AppError not_found for one that is accepted or withdrawn */
export async function inviteAgain(user: User, id: string, by: 'email' | 'link'): Promise<{ id: string; link: string | null }> {
  return transact(async (tx) => {
    const rows = await tx.rows<{ email: string }>(
      `update user_invitations set ends_at = $3, mailed_at = null, mail_error = null where id = $1 and account_id = $2 and ${OPEN} returning email`,
      [id, user.accountId, until()],
    );
    if (!rows.length) throw notFound('invitation');
    await writeAudit(
      tx,
      { kind: 'user', user },
      user.accountId,
      'invited a user again',
      { email: rows[0]!.email },
      await now(tx),
    );
    return { id, link: await pass(tx, id, by) };
  });
}

/** Withdraws one; its link ends. @throws AppError not_found */
export async function revokeInvitation(user: User, id: string): Promise<void> {
  await transact(async (tx) => {
    const rows = await tx.rows<{ email: string }>(
      `update user_invitations set revoked_at = clock_timestamp(), token_hash = null where id = $1 and account_id = $2 and ${OPEN} returning email`,
      [id, user.accountId],
    );
    if (!rows.length) throw notFound('invitation');
    await writeAudit(
      tx,
      { kind: 'user', user },
      user.accountId,
      'withdrew an invitation',
      { email: rows[0]!.email },
      await now(tx),
    );
  });
}

async function pass(tx: Tx, id: string, by: 'email' | 'link'): Promise<string | null> {
  if (by === 'link') return linkOf(await newToken(tx, id));
  await enqueue(tx, 'accounts.invite', { invitationId: id });
  return null;
}

async function newToken(tx: Tx, id: string): Promise<string> {
  const token = randomToken();
  await tx.run('update user_invitations set token_hash = $2 where id = $1', [id, hashed(token)]);
  return token;
}

const isOfAccount = async (tx: Tx, table: 'offices' | 'rosters', accountId: string, id: string): Promise<boolean> =>
  (await tx.rows(`select 1 from ${table} where id = $1 and account_id = $2`, [id, accountId])).length > 0;

/** What is mailed to whoever is invited. */
export interface InvitationMail {
  id: string;
  accountId: string;
  brokerage: string;
  invitedBy: string;
  email: string;
  name: string;
  link: string;
}

/** A link to be mailed, in place of any before; null when it was accepted or withdrawn meanwhile. */
export const makeInvitationMail = (id: string): Promise<InvitationMail | null> =>
  transact(async (tx) => {
    const row = await tx.first<
      Omit<InvitationMail, 'link' | 'accountId' | 'invitedBy'> & { account_id: string; invited_by: string }
    >(
      `select i.id, i.account_id, a.name as brokerage, ${nameSql('u')} as invited_by, i.email, ${nameSql('i')} as name
       from user_invitations i join accounts a on a.id = i.account_id join users u on u.id = i.invited_by
       where i.id = $1 and i.accepted_at is null and i.revoked_at is null for update of i`,
      [id],
    );
    if (!row) return null;
    const { account_id: accountId, invited_by: invitedBy, ...rest } = row;
    return { ...rest, accountId, invitedBy, link: linkOf(await newToken(tx, id)) };
  });

/** @param error null when it went */
export const saveInvitationMailed = (id: string, error: string | null): Promise<void> =>
  reader().run(
    'update user_invitations set mailed_at = case when $2::text is null then clock_timestamp() else mailed_at end, mail_error = $2 where id = $1',
    [id, error?.slice(0, 300) ?? null],
  );

/** What whoever opens a link sees. */
export interface Invited {
  brokerage: string;
  invitedBy: string;
  email: string;
  firstName: string;
  lastName: string;
}

/** Whose link it is; null once it was used, withdrawn or too old. */
export const findInvitation = (token: string): Promise<Invited | null> =>
  reader().first<Invited>(
    `select a.name as brokerage, ${nameSql('u')} as "invitedBy", i.email, i.first_name as "firstName", i.last_name as "lastName"
     from user_invitations i join accounts a on a.id = i.account_id join users u on u.id = i.invited_by
     where i.token_hash = $1 and i.accepted_at is null and i.revoked_at is null and i.ends_at > clock_timestamp()`,
    [hashed(token)],
  );

/**
 * Makes the user and logs them in. Both they and whoever invited them are told by mail.
 * @param also what belongs to joining in other rooms, in the same transaction
 * @returns the new user and the token of a session
 * @throws AppError not_found for a link that is none any more; input_invalid for a password or name that may not be one, and the link stays
 */
export async function acceptInvitation(
  token: string,
  { first_name, last_name, password }: { first_name: string; last_name: string; password: string },
  client: LoginClient,
  also: (tx: Tx, userId: string, row: InvitationRow) => Promise<void> = () => Promise.resolve(),
): Promise<{ userId: string; token: string }> {
  const invited = await findInvitation(token);
  if (!invited) throw endedLink();
  const firstName = first_name.trim().slice(0, 80);
  const lastName = last_name.trim().slice(0, 80);
  const wrong = (field: string) => (message: string) =>
    new AppError('input_invalid', 'You haven’t joined yet.', { fields: [{ field, message }] });
  if (!firstName) throw wrong('first_name')('Enter your first name');
  const about = [fullName({ firstName, lastName }), invited.email, invited.brokerage];
  const hash = await goodHash(password, about, wrong('password'));
  return transact(async (tx) => {
    const row = await tx.first<InvitationRow>(
      `update user_invitations set accepted_at = clock_timestamp() where token_hash = $1 and ${OPEN} and ends_at > clock_timestamp() returning *`,
      [hashed(token)],
    );
    if (!row) throw endedLink();
    const userId = await makeUser(tx, row, { firstName, lastName }, hash);
    await also(tx, userId, row);
    await tellJoined(tx, { id: userId, firstName, lastName }, row, invited.brokerage);
    return { userId, token: await openSession(tx, userId, client) };
  });
}
const endedLink = () =>
  new AppError('not_found', 'This invitation was used already, withdrawn, or it’s too old. Ask for a new one.');

async function makeUser(
  tx: Tx,
  row: InvitationRow,
  { firstName, lastName }: Pick<User, 'firstName' | 'lastName'>,
  password_hash: string,
): Promise<string> {
  const { account_id, office_id, role, email } = row;
  if (await usersTable.find({ email }, tx))
    throw new AppError(
      'conflict',
      'This email already has a login at another brokerage. Ask to be invited at another email address.',
    );
  const account = await tx.first<{ time_zone: string }>('select time_zone from accounts where id = $1', [account_id]);
  const { id } = await usersTable.insert(
    {
      account_id,
      office_id,
      role,
      first_name: firstName,
      last_name: lastName,
      email,
      phone: null,
      time_zone: account!.time_zone,
      password_hash,
      away_until: null,
    },
    tx,
  );
  await tx.run('update user_invitations set user_id = $2, token_hash = null where id = $1', [row.id, id]);
  await writeAudit(tx, null, account_id, 'joined by an invitation', { email, role }, await now(tx));
  return id;
}

async function tellJoined(
  tx: Tx,
  user: Pick<User, 'id' | 'firstName' | 'lastName'>,
  row: InvitationRow,
  brokerage: string,
): Promise<void> {
  const mail = (userId: string, subject: string, text: string) =>
    enqueue(tx, 'accounts.mail', { mail: { key: `joined-${randomUUID()}`, userId, subject, text } });
  await mail(
    user.id,
    `Welcome to ${brokerage}`,
    `Hi ${user.firstName},\n\nYou’re in. You log in with ${row.email} and the password you chose.`,
  );
  const inviter = await findUser(row.invited_by);
  if (!inviter) return;
  const onward = row.roster_id ? '' : ' Put them on a roster to give them leads.';
  await mail(
    inviter.id,
    `${fullName(user)} joined`,
    `Hi ${inviter.firstName},\n\n${fullName(user)} (${row.email}) accepted your invitation.${onward}`,
  );
}
