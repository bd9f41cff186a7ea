/** The table of routings. */
import { bigint, id, instant, json, orNull, table, text } from '../shared';

export const routingsTable = table('routings', {
  id: id(),
  inquiry_id: bigint(),
  account_id: bigint(),
  contact_id: bigint(),
  version_id: orNull(bigint()),
  rung_id: orNull(bigint()),
  roster_id: orNull(bigint()),
  state: text<'offered' | 'commons' | 'given' | 'settled'>(),
  passing: orNull(json()),
  trace: json(),
  begun_at: instant(),
  ends_at: orNull(instant()),
  owned_at: orNull(instant()),
});
