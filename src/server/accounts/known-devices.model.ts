/** The table of devices that somebody has logged in from. */
import { bigint, bytes, instant, key, made, table } from '../shared';

export const knownDevicesTable = table('known_devices', {
  token_hash: key(bytes()),
  user_id: bigint(),
  last_at: made(instant()),
});
