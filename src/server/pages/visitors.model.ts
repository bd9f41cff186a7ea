/** The table of visitors. */
import { bigint, bytes, id, instant, orNull, table } from '../shared';

export const visitorsTable = table('visitors', {
  id: id(),
  account_id: bigint(),
  token_hash: bytes(),
  contact_id: orNull(bigint()),
  first_at: instant(),
  last_at: instant(),
});
