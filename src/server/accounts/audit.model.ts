/** The table of audit. */
import { bigint, id, instant, json, made, orNull, table, text } from '../shared';

export const auditTable = table('audit', {
  id: id(),
  account_id: bigint(),
  user_id: orNull(bigint()),
  what: text(),
  data: made(json()),
  at: instant(),
  key_id: orNull(bigint()),
});
