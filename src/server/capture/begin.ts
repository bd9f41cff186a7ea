/** What every arrival begins with: the locks on its addresses, so that two equal leads become one contact; then the time, and what the account says of tags. */
import { settingsOf, type Settings } from '@/core/accounts';
import { ADDRESS_LOCKS, config, NOW, type Tx } from '../shared';

export interface Begun extends Pick<Settings, 'tagPlaces' | 'tagBarred'> {
  at: Date;
}

export async function beginArrival(tx: Tx, accountId: string, addresses: string[]): Promise<Begun> {
  const at = config().clock === 'simulated' ? `(select ${NOW} from clock)` : 'null::timestamptz';
  const row = await tx.first<{ at: Date | null; settings: Partial<Settings> }>(
    `select ${ADDRESS_LOCKS('$1', '$2')} as locked, settings, ${at} as at from accounts where id = $1`,
    [accountId, addresses],
  );
  const { tagPlaces, tagBarred } = settingsOf(row!.settings);
  return { at: row!.at ?? new Date(), tagPlaces, tagBarred };
}
