/** The table of preferences. */
import { bigint, json, key, table, text } from '../shared';

export const preferencesTable = table('preferences', {
  user_id: key(bigint()),
  key: key(text()),
  value: json(),
});
