/** The table of rungs. */
import { bigint, bigints, id, instant, int, json, made, orNull, table, texts } from '../shared';

export const rungsTable = table('rungs', {
  id: id(),
  account_id: bigint(),
  position: int(),
  roster_id: bigint(),
  campaign_id: orNull(bigint()),
  tree: made(json()),
  tags: made(bigints()),
  lender_id: orNull(bigint()),
  lender_roster_id: orNull(bigint()),
  notify: made(texts()),
  deleted_at: orNull(instant()),
});
