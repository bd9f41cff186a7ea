/** The table of campaign versions. */
import type { Plan } from '@/core/campaigns';
import { bigint, bool, id, instant, int, json, made, orNull, table } from '../shared';

export const campaignVersionsTable = table('campaign_versions', {
  id: id(),
  account_id: bigint(),
  campaign_id: bigint(),
  number: int(),
  plan: json<Plan>(),
  made_by: orNull(bigint()),
  made_at: instant(),
  asks_household: orNull(made(bool())),
  asks_fields: orNull(made(bool())),
  asks_words: orNull(made(bool())),
  asks_listing: orNull(made(bool())),
});
