/** The table of changes. */
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const changesTable = table('changes', {
  id: id(),
  account_id: bigint(),
  user_id: orNull(bigint()),
  kind: text(),
  spec: json(),
  sentence: text(),
  state: made(text<'waiting' | 'running' | 'done' | 'cancelled' | 'failed' | 'undoing' | 'undone'>()),
  total: made(int()),
  done: made(int()),
  changed: made(int()),
  left_alone: made(json()),
  undone: made(int()),
  undo_left_alone: made(json()),
  cancel: made(bool()),
  fault: orNull(text()),
  made_at: instant(),
  ended_at: orNull(instant()),
});
