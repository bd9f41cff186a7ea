/** The table of heading memory. */
import { bigint, json, key, table, text } from '../shared';

export const headingMemoryTable = table('heading_memory', {
  account_id: key(bigint()),
  headings: key(text()),
  columns: json(),
});
