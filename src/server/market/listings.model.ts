/** The table of listings. */
import { bigint, bool, day, double, id, instant, made, numeric, orNull, table, text } from '../shared';

export const listingsTable = table('listings', {
  id: id(),
  account_id: bigint(),
  number: text(),
  status: text(),
  price: orNull(numeric()),
  address: text(),
  city: orNull(text()),
  postal_code: orNull(text()),
  area: orNull(text()),
  beds: orNull(numeric()),
  baths: orNull(numeric()),
  living_area: orNull(numeric()),
  type: orNull(text()),
  kind: orNull(text()),
  latitude: orNull(double()),
  longitude: orNull(double()),
  pool: made(bool()),
  open_from: orNull(instant()),
  open_to: orNull(instant()),
  remarks: orNull(text()),
  agent_name: orNull(text()),
  on_market: orNull(day()),
  agent_id: orNull(bigint()),
  taken_at: instant(),
  changed_at: instant(),
  /** What it was before a file withdrew it. */
  status_before: orNull(text()),
});
