/** The table of ladder versions. */
import { bigint, bool, id, instant, json, made, table, text } from '../shared';

export const ladderVersionsTable = table('ladder_versions', {
  id: id(),
  account_id: bigint(),
  made_at: instant(),
  made_by: text(),
  own_listing: made(bool()),
  rungs: json(),
});
