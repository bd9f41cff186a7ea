/** The table of merges. */
import { bigint, id, instant, json, orNull, table } from '../shared';

export const mergesTable = table('merges', {
  id: id(),
  account_id: bigint(),
  kept_id: bigint(),
  gone_id: bigint(),
  user_id: orNull(bigint()),
  before: json(),
  moved: json(),
  at: instant(),
  undone_at: orNull(instant()),
});
