/** The table of base maps. */
import { bigint, instant, json, key, table } from '../shared';

export const baseMapsTable = table('base_maps', {
  account_id: key(bigint()),
  geojson: json(),
  changed_at: instant(),
});
