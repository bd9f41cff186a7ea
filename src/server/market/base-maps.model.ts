/** The table of base maps. */
import type { BaseMap } from '@/core/market';
import { bigint, instant, json, key, table } from '../shared';

export const baseMapsTable = table('base_maps', {
  account_id: key(bigint()),
  geojson: json<BaseMap>(),
  changed_at: instant(),
});
