/**
 * What every arrival begins with, in one statement: the locks on its addresses, the time, and what is asked with each about the account and
 * its campaigns. All of it is as it was when the locks were asked for.
 */
import { CAMPAIGNS_NOW, type CampaignNow } from '../campaigns';
import { CLOSED, Closed } from '../contacts';
import { ADDRESS_LOCKS, config, NOW, type Tx } from '../shared';

export interface Begun {
  at: Date;
  tagPlaces: boolean;
  /** The roles that may not make new tags. */
  tagBarred: string[];
  /** The campaigns asked for. */
  campaigns: CampaignNow[];
  /** Which of the addresses have said no for good. */
  closed: Closed;
}

export async function beginArrival(
  tx: Tx,
  accountId: string,
  addresses: readonly string[],
  campaignIds: readonly string[],
): Promise<Begun> {
  const simulated = config().clock === 'simulated';
  const row = await tx.first<{
    at: Date | null;
    places: boolean;
    barred: string[] | null;
    campaigns: CampaignNow[];
    closed: { channel: string; address: string }[];
  }>(
    `select ${ADDRESS_LOCKS('$1', '$2')} as locked, coalesce((settings->>'tagPlaces')::boolean, false) as places, settings->'tagBarred' as barred, ${simulated ? `(select ${NOW} from clock)` : 'null::timestamptz'} as at,
       ${CAMPAIGNS_NOW('$3')} as campaigns, ${CLOSED('$1', '$2')} as closed
     from accounts where id = $1`,
    [accountId, addresses, campaignIds],
  );
  return {
    at: row!.at ?? new Date(),
    tagPlaces: row!.places,
    tagBarred: row!.barred ?? [],
    campaigns: row!.campaigns,
    closed: new Closed(row!.closed),
  };
}
