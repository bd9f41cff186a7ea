/** The table of exports. */
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const exportsTable = table('exports', {
  id: id(),
  account_id: bigint(),
  user_id: orNull(bigint()),
  format: text<'csv' | 'xlsx' | 'vcf' | 'labels' | 'cards'>(),
  options: made(json()),
  selection: json(),
  state: made(text<'waiting' | 'running' | 'done' | 'failed'>()),
  total: made(int()),
  done: made(int()),
  attempt: made(int()),
  bytes: made(bigint()),
  error: orNull(text()),
  made_at: instant(),
  ended_at: orNull(instant()),
  email: made(bool()),
  schedule_id: orNull(bigint()),
  mailed_at: orNull(instant()),
  mail_error: orNull(text()),
});
