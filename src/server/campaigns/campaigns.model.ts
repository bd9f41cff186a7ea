/** The table of campaigns. */
import { bigint, bool, id, instant, made, orNull, table, text } from '../shared';

export const campaignsTable = table('campaigns', {
  id: id(),
  account_id: bigint(),
  name: text(),
  state: made(text<'draft' | 'on' | 'held' | 'off'>()),
  exclusive_group: orNull(text()),
  created_at: instant(),
  shared: made(bool()),
  made_by: orNull(bigint()),
  deleted_at: orNull(instant()),
  scanned_at: orNull(instant()),
});
