/** The table of tags. */
import type { TagColor } from '@/core/tags';
import { bigint, bool, id, instant, made, orNull, table, text } from '../shared';

export const tagsTable = table('tags', {
  id: id(),
  account_id: bigint(),
  name: text(),
  color: made(text<TagColor>()),
  locked: made(bool()),
  made_by: orNull(bigint()),
  made_at: made(instant()),
  deleted_at: orNull(instant()),
});
