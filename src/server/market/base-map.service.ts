/** The base map that maps are drawn on: a GeoJSON document of the account, kept as it was given. */
import { scopeFor, type Principal } from '@/core/accounts';
import type { BaseMap } from '@/core/market';
import { now, reader, writeAudit, transact } from '../shared';

/** The account’s base map; empty when none was given. */
export async function findBaseMap(accountId: string): Promise<BaseMap> {
  const row = await reader().first<{ geojson: BaseMap }>('select geojson from base_maps where account_id = $1', [accountId]);
  return row?.geojson ?? { type: 'FeatureCollection', features: [] };
}

export async function saveBaseMap(principal: Principal, map: BaseMap): Promise<{ features: number }> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    const at = await now(tx);
    await tx.run(
      `insert into base_maps (account_id, geojson, changed_at) values ($1, $2::jsonb, $3) on conflict (account_id) do update set geojson = excluded.geojson, changed_at = excluded.changed_at`,
      [accountId, JSON.stringify(map), at],
    );
    const features = map.features.length;
    await writeAudit(tx, principal, accountId, 'ground.set', { features }, at);
    return { features };
  });
}
