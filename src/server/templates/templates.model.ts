/** The table of templates. */
import type { Channel } from '@/core/contacts';
import type { Words } from '@/core/messages';
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const templatesTable = table('templates', {
  id: id(),
  account_id: bigint(),
  channel: text<Channel>(),
  name: text(),
  words: json<Words>(),
  version: made(int()),
  shared: made(bool()),
  day_cap: orNull(int()),
  made_by: orNull(bigint()),
  made_at: instant(),
  changed_at: instant(),
  deleted_at: orNull(instant()),
});
