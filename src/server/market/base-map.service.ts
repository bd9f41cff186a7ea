/** The base map that maps are drawn on: a GeoJSON document of the account, kept as it was given. */
import { scopeFor, type Principal } from '@/core/accounts';
import type { BaseMap } from '@/core/market';
import { now, writeAudit, transact } from '../shared';
import { baseMapsTable } from './base-maps.model';

/** The account’s base map; empty when none was given. */
export async function findBaseMap(accountId: string): Promise<BaseMap> {
  const row = await baseMapsTable.find({ account_id: accountId });
  return row?.geojson ?? { type: 'FeatureCollection', features: [] };
}

export async function saveBaseMap(principal: Principal, map: BaseMap): Promise<{ features: number }> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    const at = await now(tx);
    await baseMapsTable.put({ account_id: accountId, geojson: map, changed_at: at }, tx);
    const features = map.features.length;
    await writeAudit(tx, principal, accountId, 'ground.set', { features }, at);
    return { features };
  });
}
