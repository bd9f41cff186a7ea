/** What every arrival begins with, in one statement: the locks on its addresses, the time, and whether towns become tags. */
import { ADDRESS_LOCKS, config, NOW, type Tx } from '../shared';

export interface Begun {
  at: Date;
  tagPlaces: boolean;
}

export async function beginArrival(tx: Tx, accountId: string, addresses: string[]): Promise<Begun> {
  const simulated = config().clock === 'simulated';
  const row = await tx.first<{ at: Date | null; places: boolean }>(
    `select ${ADDRESS_LOCKS('$1', '$2')} as locked, coalesce((settings->>'tagPlaces')::boolean, false) as places, ${simulated ? `(select ${NOW} from clock)` : 'null::timestamptz'} as at
     from accounts where id = $1`,
    [accountId, addresses],
  );
  return { at: row!.at ?? new Date(), tagPlaces: row!.places };
}
