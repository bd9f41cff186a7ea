/** The table of offers. */
import { bigint, bool, id, instant, made, orNull, table, text, texts } from '../shared';

export const offersTable = table('offers', {
  id: id(),
  account_id: bigint(),
  inquiry_id: bigint(),
  contact_id: bigint(),
  user_id: bigint(),
  offered_at: instant(),
  answered_at: orNull(instant()),
  state: made(text()),
  roster_id: orNull(bigint()),
  ends_at: orNull(instant()),
  taken_at: orNull(instant()),
  commons: made(bool()),
  hides: made(texts()),
});
