/** The table of activities. */
import { bigint, id, instant, json, made, orNull, table, text } from '../shared';

export const activitiesTable = table('activities', {
  id: id(),
  account_id: bigint(),
  contact_id: bigint(),
  user_id: orNull(bigint()),
  at: instant(),
  kind: text(),
  channel: orNull(text()),
  direction: orNull(text()),
  data: made(json()),
  because: orNull(json()),
});
