/** The table of segments. */
import type { Tree } from '@/core/segments';
import { bigint, bool, id, instant, json, made, orNull, table, text } from '../shared';

export const segmentsTable = table('segments', {
  id: id(),
  account_id: bigint(),
  made_by: orNull(bigint()),
  team: made(bool()),
  name: text(),
  tree: json<Tree>(),
  made_at: instant(),
  changed_at: instant(),
});
