/** Who asks: a bearer key, or the cookie of a session. A cookie alone may not change anything from another site. */
import { cookies } from 'next/headers';
import { AppError } from '@/core/shared';
import type { User, Principal } from '@/core/accounts';
import { personOfSession, principalOfKey, SESSION_SECONDS } from '@/server/accounts';
import { config } from '@/server/shared';

export const SESSION_COOKIE = 'urraca_session';

/** Gives the browser the cookie of a session. */
export async function keepSession(token: string): Promise<void> {
  (await cookies()).set(SESSION_COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    path: '/',
    maxAge: SESSION_SECONDS,
    secure: config().publicUrl.startsWith('https:'),
  });
}

/** The token of the session cookie; null without one. */
export const sessionToken = async (): Promise<string | null> => (await cookies()).get(SESSION_COOKIE)?.value ?? null;

/** The person whose browser this is; null when nobody is logged in. */
export async function currentUser(): Promise<User | null> {
  const token = await sessionToken();
  return token ? personOfSession(token) : null;
}

/** @throws AppError login_required, key_invalid, cross_site */
export async function principalOf(request: Request): Promise<Principal> {
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
  return { kind: 'user', user };
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
