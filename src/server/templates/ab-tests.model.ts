/** The table of ab tests. */
import type { Channel } from '@/core/contacts';
import { bigint, bigints, id, instant, orNull, table, text } from '../shared';

export const abTestsTable = table('ab_tests', {
  id: id(),
  account_id: bigint(),
  channel: text<Channel>(),
  name: text(),
  template_ids: bigints(),
  winner_id: orNull(bigint()),
  made_by: orNull(bigint()),
  made_at: instant(),
  ended_at: orNull(instant()),
  deleted_at: orNull(instant()),
});
