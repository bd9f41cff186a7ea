/** The ground that maps are drawn on: a GeoJSON document of the account, kept as it was given. */
import { scopeFor, type Principal } from '@/core/accounts';
import type { Ground } from '@/core/market';
import { now, reader, record, transact } from '../shared';

/** The account's ground; empty when none was given. */
export async function readGround(accountId: string): Promise<Ground> {
  const row = await reader().first<{ geojson: Ground }>('select geojson from grounds where account_id = $1', [accountId]);
  return row?.geojson ?? { type: 'FeatureCollection', features: [] };
}

export async function setGround(principal: Principal, ground: Ground): Promise<{ features: number }> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    const at = await now(tx);
    await tx.run(
      `insert into grounds (account_id, geojson, changed_at) values ($1, $2::jsonb, $3) on conflict (account_id) do update set geojson = excluded.geojson, changed_at = excluded.changed_at`,
      [accountId, JSON.stringify(ground), at],
    );
    const features = ground.features.length;
    await record(tx, principal, accountId, 'ground.set', { features }, at);
    return { features };
  });
}
