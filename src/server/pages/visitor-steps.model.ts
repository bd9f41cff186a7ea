/** The table of visitor steps. */
import { bigint, bool, id, instant, made, orNull, table, text } from '../shared';

export const visitorStepsTable = table('visitor_steps', {
  id: id(),
  account_id: bigint(),
  visitor_id: orNull(bigint()),
  door_id: bigint(),
  kind: text<'visit' | 'viewed_home' | 'saved_home'>(),
  listing_number: orNull(text()),
  text: made(text()),
  at: instant(),
  told: made(bool()),
  once_key: orNull(text()),
});
