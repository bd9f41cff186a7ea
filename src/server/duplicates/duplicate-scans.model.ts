/** The table of duplicate scans. */
import { bigint, instant, int, key, made, orNull, table, text } from '../shared';

export const duplicateScansTable = table('duplicate_scans', {
  account_id: key(bigint()),
  state: text<'waiting' | 'running' | 'done' | 'failed'>(),
  pairs: made(int()),
  error: orNull(text()),
  asked_at: instant(),
  ended_at: orNull(instant()),
});
