/** The table of processes. */
import { instant, json, key, made, table, text } from './table';

export const processesTable = table('processes', {
  id: key(text()),
  kind: text(),
  started_at: made(instant()),
  seen_at: made(instant()),
  detail: made(json()),
});
