/** The table of source merges. */
import { bigint, id, instant, json, orNull, table } from '../shared';

export const sourceMergesTable = table('source_merges', {
  id: id(),
  account_id: bigint(),
  from_id: bigint(),
  into_id: bigint(),
  moved: json(),
  made_by: orNull(bigint()),
  at: instant(),
  undone_at: orNull(instant()),
});
