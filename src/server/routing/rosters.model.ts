/** The table of rosters. */
import { bigint, id, instant, int, json, made, orNull, table, text, texts } from '../shared';

export const rostersTable = table('rosters', {
  id: id(),
  account_id: bigint(),
  name: text(),
  last_user_id: orNull(bigint()),
  safety_net_id: bigint(),
  hand_out: made(text<'round_robin' | 'weighted' | 'open' | 'turns'>()),
  window_seconds: made(int()),
  try_seconds: orNull(int()),
  most_turns: orNull(int()),
  then_to: made(text<'safety_net' | 'roster' | 'commons'>()),
  then_roster_id: orNull(bigint()),
  commons_seconds: made(int()),
  hides: made(texts()),
  sees: made(text<'own' | 'all'>()),
  credit: made(json()),
  deleted_at: orNull(instant()),
});
