/** The table of rosters. */
import type { Roster, RosterView, Then } from '@/core/routing';
import { bigint, id, instant, int, json, made, orNull, table, text, texts } from '../shared';

export const rostersTable = table('rosters', {
  id: id(),
  account_id: bigint(),
  name: text(),
  last_user_id: orNull(bigint()),
  safety_net_id: bigint(),
  hand_out: made(text<Roster['handOut']>()),
  window_seconds: made(int()),
  try_seconds: orNull(int()),
  most_turns: orNull(int()),
  then_to: made(text<Then['to']>()),
  then_roster_id: orNull(bigint()),
  commons_seconds: made(int()),
  hides: made(texts()),
  sees: made(text<RosterView['sees']>()),
  credit: made(json<Record<string, number>>()),
  deleted_at: orNull(instant()),
});
