/**
 * The second step of a login: a code of an authenticator app (RFC 6238) or one of ten recovery codes, each good once. Wrong ones are counted for
 * the person, wherever they come from: who gets this far has the password, so nobody else is kept out by it. On real time.
 */
import { randomBytes } from 'node:crypto';
import { generateSecret, generateURI, verify } from 'otplib';
import type { LoginSecurityView, User } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { now, reader, sealed, transact, unsealed, writeAudit, type Tx } from '../shared';

import { endChallenge, findChallenge, openChallenge } from './challenges';
import { auditFailure } from './login-audit';
import { afterRightCode, beforeCode } from './login-delay.service';
import { loginOf, tellOfLogin } from './login-mail';
import { findUser, hashPassword, openSession, passwordFits, type LoginClient } from './sessions.service';
import { readSettings } from './users.repository';

const RECOVERY_CODES = 10;
/** Without letters and digits that are taken for each other. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
/** A clock may be wrong by so many seconds. */
const CLOCK_TOLERANCE = 30;
const SEALED_FOR = 'totp';

const refused = (message: string): AppError => new AppError('input_invalid', message, { fields: [{ field: 'code', message }] });
const WRONG_CODE = 'That code isn’t right. Check the clock of your phone, and type the newest one';

/** What somebody has set up for their own login. */
export async function readLoginSecurity(user: User): Promise<LoginSecurityView> {
  const found = await reader().first<Omit<LoginSecurityView, 'required' | 'passkeys'>>(
    `select (select confirmed_at from totp_secrets where user_id = $1) as totp_since,
       (select count(*)::int from recovery_codes where user_id = $1) as recovery_codes_left`,
    [user.id],
  );
  const passkeys = await reader().rows<LoginSecurityView['passkeys'][number]>(
    'select id, name, created_at, last_used_at from passkeys where user_id = $1 order by id',
    [user.id],
  );
  const { secondStepRoles } = await readSettings(user.accountId);
  return { ...found!, passkeys, required: secondStepRoles.includes(user.role) };
}

/** Makes a secret for an app, which counts once a code of it was typed. @returns what the app is told */
export async function beginTotp(user: User): Promise<{ secret: string; uri: string }> {
  const secret = generateSecret();
  const rows = await reader().rows(
    `insert into totp_secrets (user_id, secret) values ($1, $2)
     on conflict (user_id) do update set secret = excluded.secret where totp_secrets.confirmed_at is null returning user_id`,
    [user.id, sealed(SEALED_FOR, secret)],
  );
  if (!rows.length) throw new AppError('conflict', 'You already use an authenticator app. Turn it off first to use another.');
  return { secret, uri: generateURI({ issuer: 'Urraca', label: user.email, secret }) };
}

/** Turns the app on by its first code. @returns new recovery codes, the only copy @throws AppError input_invalid, too_many */
export async function confirmTotp(user: User, code: string, client: LoginClient): Promise<{ recovery_codes: string[] }> {
  await beforeCode(user.id);
  if (!(await totpFits(user.id, code, false))) throw refused(WRONG_CODE);
  await afterRightCode(user.id);
  const codes = makeCodes();
  const hashes = await hashesOf(codes);
  await transact(async (tx) => {
    const rows = await tx.rows(
      'update totp_secrets set confirmed_at = clock_timestamp() where user_id = $1 and confirmed_at is null returning user_id',
      [user.id],
    );
    if (!rows.length) throw new AppError('conflict', 'Your authenticator app is on already.');
    await replaceCodes(tx, user.id, hashes);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'turned on two-step login', {}, await now(tx));
    await tellOfLogin(tx, user, client, {
      subject: 'Two-step login is on',
      happened: `Two-step login was turned on for ${await loginOf(user)}`,
    });
  });
  return { recovery_codes: codes };
}

/** Turns the app off. @throws AppError conflict where the role must have a second step and there is no other */
export async function removeTotp(user: User, client: LoginClient): Promise<void> {
  const { required, passkeys, totp_since } = await readLoginSecurity(user);
  if (!totp_since) throw notFound('authenticator app');
  if (required && !passkeys.length)
    throw new AppError('conflict', 'Your office asks for two-step login. Add a passkey first, then turn the app off.');
  await transact(async (tx) => {
    await tx.run('delete from totp_secrets where user_id = $1', [user.id]);
    await tx.run('delete from recovery_codes where user_id = $1', [user.id]);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'turned off the authenticator app', {}, await now(tx));
    await tellOfLogin(tx, user, client, {
      subject: 'Two-step login is off',
      happened: `The authenticator app was turned off for ${await loginOf(user)}`,
    });
  });
}

/** Ten new recovery codes, which end those before. @returns the only copy of them */
export async function renewRecoveryCodes(user: User): Promise<{ recovery_codes: string[] }> {
  if (!(await readLoginSecurity(user)).totp_since) throw new AppError('conflict', 'Set up an authenticator app first.');
  const codes = makeCodes();
  const hashes = await hashesOf(codes);
  await transact(async (tx) => {
    await replaceCodes(tx, user.id, hashes);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'made new recovery codes', {}, await now(tx));
  });
  return { recovery_codes: codes };
}

const makeCodes = (): string[] => Array.from({ length: RECOVERY_CODES }, makeCode);
/** Fifty bits: `k7m3x-9pq2w`. Bytes beyond the last whole round of the alphabet are not used, so that each letter is as likely. */
function makeCode(): string {
  const most = 256 - (256 % LETTERS.length);
  let code = '';
  while (code.length < 10)
    code += [...randomBytes(16)]
      .filter((byte) => byte < most)
      .map((byte) => LETTERS[byte % LETTERS.length])
      .join('');
  return `${code.slice(0, 5)}-${code.slice(5, 10)}`;
}
const plainCode = (code: string): string => code.toLowerCase().replaceAll(/[^a-z0-9]/g, '');
const hashesOf = (codes: string[]): Promise<string[]> => Promise.all(codes.map((code) => hashPassword(plainCode(code))));

async function replaceCodes(tx: Tx, userId: string, hashes: string[]): Promise<void> {
  await tx.run('delete from recovery_codes where user_id = $1', [userId]);
  await tx.run('insert into recovery_codes (user_id, code_hash) select $1, unnest($2::text[])', [userId, hashes]);
}

/**
 * What follows on the right password.
 * @returns whether a code is asked for; and whether the password is no way in, because the role asks for two steps and a passkey is the only other one
 */
export async function stepsOf(user: User, tx: Tx = reader()): Promise<{ totp: boolean; passkeyOnly: boolean }> {
  const row = await tx.first<{ totp: boolean; passkey_only: boolean }>(
    `select t.user_id is not null as totp,
       t.user_id is null and coalesce(a.settings->'secondStepRoles', '[]') ? $2 and exists (select 1 from passkeys where user_id = $1) as passkey_only
     from accounts a left join totp_secrets t on t.user_id = $1 and t.confirmed_at is not null where a.id = $3`,
    [user.id, user.role, user.accountId],
  );
  return { totp: row!.totp, passkeyOnly: row!.passkey_only };
}

/** After the right password. @returns the token that the second step is done with */
export const beginSecondStep = (tx: Tx, userId: string): Promise<string> => openChallenge(tx, 'second_step', userId);

/** Whose second step is waited for; null when there is none any more. */
export async function personAtSecondStep(token: string): Promise<User | null> {
  const found = await findChallenge('second_step', token);
  return found?.user_id ? findUser(found.user_id) : null;
}

/**
 * The second step, by a code of the app or a recovery code.
 * @returns whose login it is and the token of the session
 * @throws AppError input_invalid, too_many; not_found when it took too long, and the password is needed again
 */
export async function passSecondStep(token: string, code: string, client: LoginClient): Promise<{ user: User; token: string }> {
  const user = await personAtSecondStep(token);
  if (!user) throw tooLate();
  await beforeCode(user.id);
  const recovery = (await totpFits(user.id, code, true)) ? null : await recoveryThatFits(user.id, code);
  if (recovery === 'none') {
    await auditFailure(user.accountId, { email: user.email, from: client.from, how: 'code' });
    throw refused('That code isn’t right. Type the newest one from your app, or a recovery code you haven’t used');
  }
  await afterRightCode(user.id);
  return transact(async (tx) => {
    if (!(await endChallenge(tx, token))) throw tooLate();
    if (recovery) {
      const used = await tx.rows('delete from recovery_codes where id = $1 returning id', [recovery]);
      if (!used.length) throw refused('That recovery code was used already');
      await tellRecovery(tx, user, client);
    }
    await writeAudit(
      tx,
      { kind: 'user', user },
      user.accountId,
      'logged in',
      { second_step: recovery ? 'recovery code' : 'app' },
      await now(tx),
    );
    return { user, token: await openSession(tx, user.id, client) };
  });
}
const tooLate = (): AppError => new AppError('not_found', 'That took too long. Log in with your password again.');

async function tellRecovery(tx: Tx, user: User, client: LoginClient): Promise<void> {
  const left = await tx.first<{ n: number }>('select count(*)::int as n from recovery_codes where user_id = $1', [user.id]);
  await tellOfLogin(tx, user, client, {
    subject: 'A recovery code was used',
    happened: `A recovery code was used to log in as ${await loginOf(user)}`,
    more: left!.n === 1 ? 'You have 1 code left.' : `You have ${left!.n} codes left.`,
  });
}

/**
 * Whether it is a code of their app for now, which then is good no second time.
 * @param confirmed of an app that is on; otherwise of one that is being set up
 */
async function totpFits(userId: string, typed: string, confirmed: boolean): Promise<boolean> {
  const token = typed.replaceAll(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return false;
  const row = await reader().first<{ secret: Buffer; last_step: string }>(
    'select secret, last_step from totp_secrets where user_id = $1 and (confirmed_at is not null) = $2',
    [userId, confirmed],
  );
  const secret = row && unsealed(SEALED_FOR, row.secret);
  if (!secret) return false;
  const checked = await verify({ secret, token, epochTolerance: CLOCK_TOLERANCE, afterTimeStep: Number(row.last_step) });
  if (!checked.valid || !('timeStep' in checked)) return false;
  const used = await reader().rows(
    'update totp_secrets set last_step = $2 where user_id = $1 and last_step < $2 returning user_id',
    [userId, checked.timeStep],
  );
  return used.length > 0;
}

/** The recovery code that was typed, by its id; `none` when it is none of theirs. */
async function recoveryThatFits(userId: string, typed: string): Promise<string> {
  const plain = plainCode(typed);
  if (plain.length !== 10) return 'none';
  const codes = await reader().rows<{ id: string; code_hash: string }>(
    'select id, code_hash from recovery_codes where user_id = $1',
    [userId],
  );
  for (const { id, code_hash } of codes) if (await passwordFits(code_hash, plain)) return id;
  return 'none';
}
