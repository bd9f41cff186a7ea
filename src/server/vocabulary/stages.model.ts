/** The table of stages. */
import { bigint, instant, int, key, orNull, table, text } from '../shared';

export const stagesTable = table('stages', {
  account_id: key(bigint()),
  key: key(text()),
  name: text(),
  meaning: text(),
  position: int(),
  deleted_at: orNull(instant()),
});
