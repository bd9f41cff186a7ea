/** Who asks: a bearer key, or the cookie of a session. A cookie alone may not change anything from another site. */
import { isIP } from 'node:net';
import { cookies } from 'next/headers';
import { AppError } from '@/core/shared';
import type { User, Principal } from '@/core/accounts';
import {
  DEVICE_SECONDS,
  isConfirmed,
  personOfSession,
  principalOfKey,
  rememberDevice,
  SESSION_SECONDS,
  type LoginClient,
  type PasskeySite,
} from '@/server/accounts';
import { config } from '@/server/shared';

const isSecure = (): boolean => config().publicUrl.startsWith('https:');
/** A cookie's name; under TLS one that no other host, and no page without TLS, can set (RFC 6265bis, `__Host-`). */
const named = (name: string): string => (isSecure() ? `__Host-${name}` : name);

/** Cookies of ours, by what they hold: the session; the device that is known; what a step of the login is done with. */
export type Cookie = 'urraca_session' | 'urraca_device' | 'urraca_step';
export const cookieValue = async (cookie: Cookie): Promise<string | null> => (await cookies()).get(named(cookie))?.value ?? null;
export const setCookie = async (cookie: Cookie, value: string, maxAge: number): Promise<void> => {
  (await cookies()).set(named(cookie), value, { httpOnly: true, sameSite: 'lax', path: '/', maxAge, secure: isSecure() });
};
export const dropCookie = (cookie: Cookie): Promise<void> => setCookie(cookie, '', 0);

/** Gives the browser the cookie of a session. */
export const keepSession = (token: string): Promise<void> => setCookie('urraca_session', token, SESSION_SECONDS);
/** The token of the session cookie; null without one. */
export const sessionToken = (): Promise<string | null> => cookieValue('urraca_session');

/**
 * Somebody has come in: their browser gets the session, and is known from now on.
 * @param first they have just joined, and are told of no new device
 */
export async function letIn(
  { userId, token }: { userId: string; token: string },
  client: LoginClient,
  first = false,
): Promise<void> {
  await keepSession(token);
  const device = await rememberDevice(userId, client, await cookieValue('urraca_device'), first);
  if (device) await setCookie('urraca_device', device, DEVICE_SECONDS);
}

/**
 * The page that a browser stands on, as passkeys need it; null where Urraca is reached by a number and not by a name. A machine of one's own is
 * reached by its name too.
 */
export function passkeySite(headers: { get(name: string): string | null }): PasskeySite | null {
  const ours = new URL(config().publicUrl);
  const local = new URL(ours);
  local.hostname = 'localhost';
  const { hostname, origin } = isLoopback(ours.hostname) && headers.get('host') === local.host ? local : ours;
  return isIP(hostname.replace(/^\[|\]$/g, '')) ? null : { origin, host: hostname };
}
/** @throws AppError conflict where there are no passkeys */
export function requirePasskeySite(headers: { get(name: string): string | null }): PasskeySite {
  const site = passkeySite(headers);
  if (!site) throw new AppError('conflict', 'Passkeys need an address with a name, such as https://crm.yours.example.');
  return site;
}
const isLoopback = (host: string): boolean => host === 'localhost' || host === '127.0.0.1' || host === '[::1]';

/** The person whose browser this is; null when nobody is logged in. */
export async function currentUser(): Promise<User | null> {
  const token = await sessionToken();
  return token ? personOfSession(token) : null;
}

/**
 * @param beforeSecondStep also somebody who must set up a second step first
 * @throws AppError login_required, key_invalid, cross_site, second_step_required
 */
export async function principalOf(request: Request, beforeSecondStep = false): Promise<Principal> {
  const authorization = request.headers.get('authorization');
  if (authorization) {
    const key = /^Bearer (\S{1,200})$/i.exec(authorization)?.[1];
    if (!key) throw new AppError('key_invalid', 'The Authorization header should read: Bearer <key>.');
    return principalOfKey(key);
  }
  const user = await currentUser();
  if (!user) throw new AppError('login_required', 'Log in, or send an API key: Authorization: Bearer <key>.');
  if (request.method !== 'GET' && !sameSite(request))
    throw new AppError('cross_site', 'This change came from another site, so it wasn’t made.');
  if (user.needsSecondStep && !beforeSecondStep)
    throw new AppError('second_step_required', 'Your office asks for two-step login. Set it up first.');
  return { kind: 'user', user };
}

/** That the browser's session has proved lately who it is. @throws AppError password_required */
export async function requireConfirmed(): Promise<void> {
  const token = await sessionToken();
  if (!token || !(await isConfirmed(token))) throw new AppError('password_required', 'Enter your password again to do this.');
}

/** Browsers say where a request comes from (Sec-Fetch-Site, Origin); a request of ours comes from ourselves. */
function sameSite(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin';
  const origin = request.headers.get('origin');
  return (
    origin !== null &&
    (origin === config().publicUrl ||
      origin === `http://${request.headers.get('host')}` ||
      origin === `https://${request.headers.get('host')}`)
  );
}
