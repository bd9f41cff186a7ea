/** The table of rungs. */
import type { Notify } from '@/core/routing';
import type { Tree } from '@/core/segments';
import { bigint, bigints, id, instant, int, json, made, orNull, table, texts } from '../shared';

export const rungsTable = table('rungs', {
  id: id(),
  account_id: bigint(),
  position: int(),
  roster_id: bigint(),
  campaign_id: orNull(bigint()),
  tree: made(json<Tree>()),
  tags: made(bigints()),
  lender_id: orNull(bigint()),
  lender_roster_id: orNull(bigint()),
  notify: made(texts<Notify>()),
  deleted_at: orNull(instant()),
});
