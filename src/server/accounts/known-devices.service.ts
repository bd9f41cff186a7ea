/** The devices that somebody has logged in from, by a cookie of each: from a new one, its owner hears of it by mail. */
import { findUser, type LoginClient } from './sessions.service';
import { hashed, randomToken, reader, transact } from '../shared';
import { loginOf, tellOfLogin } from './login-mail';

/** So long a device is known that is not used. */
export const DEVICE_SECONDS = 400 * 86_400;

/**
 * After somebody came in.
 * @param deviceToken what the browser has from before
 * @param first they have just joined: it is their first device, and no news
 * @returns the token that the browser keeps from now on; null when it has the right one
 */
export async function rememberDevice(
  userId: string,
  client: LoginClient,
  deviceToken: string | null,
  first = false,
): Promise<string | null> {
  if (deviceToken && (await isKnown(userId, deviceToken))) return null;
  const user = await findUser(userId);
  const token = randomToken();
  await transact(async (tx) => {
    await tx.run('insert into known_devices (token_hash, user_id) values ($1, $2)', [hashed(token), userId]);
    if (user && !first)
      await tellOfLogin(tx, user, client, {
        subject: 'New login to Urraca',
        happened: `Somebody logged in as ${await loginOf(user)} from a new device`,
      });
  });
  return token;
}

const isKnown = async (userId: string, token: string): Promise<boolean> => {
  const rows = await reader().rows(
    'update known_devices set last_at = clock_timestamp() where token_hash = $1 and user_id = $2 returning user_id',
    [hashed(token), userId],
  );
  return rows.length > 0;
};

export const sweepDevices = (): Promise<void> =>
  reader().run('delete from known_devices where last_at < clock_timestamp() - make_interval(secs => $1)', [DEVICE_SECONDS]);
