/**
 * Passkeys (Web Authentication, Level 3): logging in by what a device holds and its owner unlocks, which is both steps at once. They belong to one
 * host name, so there are none where Urraca is reached by a number. On real time.
 */
import { createHash } from 'node:crypto';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { User } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { now, reader, transact, writeAudit } from '../shared';
import { endChallenge, findChallenge, openChallenge } from './challenges';
import { loginOf, tellOfLogin } from './login-mail';
import { readLoginSecurity } from './second-step.service';
import { findUser, openSession, type LoginClient } from './sessions.service';

/** Where the browser stands: the origin of its page, and the host that a passkey is made for. */
export interface PasskeySite {
  origin: string;
  host: string;
}
const MOST_PASSKEYS = 20;

const refused = (): AppError =>
  new AppError('login_wrong', 'That passkey didn’t work here. Try again, or log in with your password.');

/** What the browser is asked to make a new passkey. @returns it, and the token that the answer comes with */
export async function beginPasskey(
  user: User,
  site: PasskeySite,
): Promise<{ options: PublicKeyCredentialCreationOptionsJSON; token: string }> {
  const known = await reader().rows<{ credential_id: string }>('select credential_id from passkeys where user_id = $1', [
    user.id,
  ]);
  if (known.length >= MOST_PASSKEYS) throw new AppError('conflict', `You have ${MOST_PASSKEYS} passkeys. Remove one first.`);
  const options = await generateRegistrationOptions({
    rpName: 'Urraca',
    rpID: site.host,
    userName: user.email,
    userDisplayName: user.email,
    userID: new Uint8Array(createHash('sha256').update(`urraca user ${user.id}`).digest()),
    attestationType: 'none',
    excludeCredentials: known.map(({ credential_id: id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  const token = await transact((tx) => openChallenge(tx, 'passkey_new', user.id, options.challenge));
  return { options, token };
}

/** Keeps a passkey that was made. @throws AppError input_invalid when it is not the one that was asked for */
export async function savePasskey(
  user: User,
  token: string,
  { name, response }: { name: string; response: RegistrationResponseJSON },
  site: PasskeySite,
  client: LoginClient,
): Promise<void> {
  const asked = await findChallenge('passkey_new', token);
  if (asked?.user_id !== user.id) throw new AppError('not_found', 'That took too long. Start again.');
  const { registrationInfo: made } = await verifyRegistrationResponse({
    response,
    expectedChallenge: asked.challenge,
    expectedOrigin: site.origin,
    expectedRPID: site.host,
    requireUserVerification: true,
  }).catch(() => ({ registrationInfo: undefined }));
  if (!made) throw new AppError('input_invalid', 'This passkey couldn’t be added. Try again.');
  const { credential } = made;
  await transact(async (tx) => {
    if (!(await endChallenge(tx, token))) throw new AppError('not_found', 'That took too long. Start again.');
    const rows = await tx.rows(
      `insert into passkeys (user_id, credential_id, public_key, counter, transports, name) values ($1, $2, $3, $4, $5, $6)
       on conflict (credential_id) do nothing returning id`,
      [user.id, credential.id, Buffer.from(credential.publicKey), credential.counter, credential.transports ?? [], name],
    );
    if (!rows.length) throw new AppError('conflict', 'You have this passkey already.');
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'added a passkey', { name }, await now(tx));
    await tellOfLogin(tx, user, client, {
      subject: 'A passkey was added',
      happened: `A passkey (“${name}”) was added for ${await loginOf(user)}`,
    });
  });
}

/** @throws AppError not_found; conflict for the last second step of somebody who must have one */
export async function removePasskey(user: User, id: string): Promise<void> {
  const { required, passkeys, totp_since } = await readLoginSecurity(user);
  if (required && !totp_since && passkeys.length === 1)
    throw new AppError(
      'conflict',
      'Your office asks for two-step login. Set up an authenticator app first, then remove the passkey.',
    );
  await transact(async (tx) => {
    const rows = await tx.rows<{ name: string }>('delete from passkeys where id = $1 and user_id = $2 returning name', [
      id,
      user.id,
    ]);
    if (!rows.length) throw notFound('passkey');
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'removed a passkey', rows[0]!, await now(tx));
  });
}

/** What the browser is asked before anybody is known. @returns it, and the token that the answer comes with */
export async function beginPasskeyLogin(
  site: PasskeySite,
): Promise<{ options: PublicKeyCredentialRequestOptionsJSON; token: string }> {
  const options = await generateAuthenticationOptions({ rpID: site.host, userVerification: 'required' });
  const token = await transact((tx) => openChallenge(tx, 'passkey_login', null, options.challenge));
  return { options, token };
}

/** @returns whose passkey it is and the token of a session @throws AppError login_wrong */
export async function logInByPasskey(
  token: string,
  response: AuthenticationResponseJSON,
  site: PasskeySite,
  client: LoginClient,
): Promise<{ userId: string; token: string }> {
  const asked = await findChallenge('passkey_login', token);
  const known = await reader().first<{ id: string; user_id: string; public_key: Buffer; counter: string }>(
    'select id, user_id, public_key, counter from passkeys where credential_id = $1',
    [String(response?.id ?? '').slice(0, 1_400)],
  );
  const user = known && (await findUser(known.user_id));
  if (!asked || !user) throw refused();
  const checked = await verifyAuthenticationResponse({
    response,
    expectedChallenge: asked.challenge,
    expectedOrigin: site.origin,
    expectedRPID: site.host,
    requireUserVerification: true,
    credential: { id: response.id, publicKey: new Uint8Array(known.public_key), counter: Number(known.counter) },
  }).catch(() => null);
  if (!checked?.verified) throw refused();
  return transact(async (tx) => {
    if (!(await endChallenge(tx, token))) throw refused();
    await tx.run('update passkeys set counter = $2, last_used_at = clock_timestamp() where id = $1', [
      known.id,
      checked.authenticationInfo.newCounter,
    ]);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'logged in', { second_step: 'passkey' }, await now(tx));
    return { userId: user.id, token: await openSession(tx, user.id, client) };
  });
}
