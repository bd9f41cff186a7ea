/** The table of broadcasts. */
import type { SendChannel } from '@/core/contacts';
import { bigint, id, instant, int, json, made, orNull, table, text } from '../shared';

export const broadcastsTable = table('broadcasts', {
  id: id(),
  account_id: bigint(),
  name: text(),
  channel: text<SendChannel>(),
  template_id: orNull(bigint()),
  words: json(),
  selection: json(),
  goes: made(json()),
  per_minute: int(),
  state: made(text<'draft' | 'filling' | 'going' | 'paused' | 'done' | 'cancelled' | 'failed'>()),
  people: made(int()),
  left_out: made(json()),
  error: orNull(text()),
  made_by: orNull(bigint()),
  made_at: instant(),
  started_at: orNull(instant()),
  ended_at: orNull(instant()),
  letters_id: orNull(bigint()),
  labels_id: orNull(bigint()),
});
