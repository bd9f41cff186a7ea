/** The table of campaign rehearsals. */
import { bigint, id, instant, int, json, made, orNull, table, text } from '../shared';

export const campaignRehearsalsTable = table('campaign_rehearsals', {
  id: id(),
  account_id: bigint(),
  campaign_id: bigint(),
  made_by: orNull(bigint()),
  made_at: instant(),
  plan: json(),
  days: int(),
  state: made(text<'waiting' | 'running' | 'done' | 'failed'>()),
  people: made(int()),
  done: made(int()),
  result: orNull(json()),
  error: orNull(text()),
});
