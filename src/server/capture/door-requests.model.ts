/** The table of door requests. */
import { bigint, bool, id, instant, int, json, table, text } from '../shared';

export const doorRequestsTable = table('door_requests', {
  id: id(),
  account_id: bigint(),
  door_id: bigint(),
  at: instant(),
  content_type: text(),
  body: text(),
  status: int(),
  answer: json(),
  sandbox: bool(),
  took_ms: int(),
});
