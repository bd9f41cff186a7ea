/** The table of rehearsals. */
import { bigint, id, instant, int, json, made, orNull, table, text } from '../shared';

export const rehearsalsTable = table('rehearsals', {
  id: id(),
  account_id: bigint(),
  made_by: orNull(bigint()),
  made_at: instant(),
  days: int(),
  ladder: json(),
  state: text<'waiting' | 'running' | 'done' | 'failed' | 'cancelled'>(),
  inquiries: made(int()),
  done: made(int()),
  result: orNull(json()),
  error: orNull(text()),
});
