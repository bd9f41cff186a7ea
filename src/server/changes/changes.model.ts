/** The table of changes. */
import type { RefusalCounts } from '@/core/contacts';
import type { BulkAction, ChangeState } from '@/core/changes';
import type { Selection } from './select';
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const changesTable = table('changes', {
  id: id(),
  account_id: bigint(),
  user_id: orNull(bigint()),
  kind: text(),
  spec: json<{ change: BulkAction; selection: Selection; description: string }>(),
  sentence: text(),
  state: made(text<ChangeState>()),
  total: made(int()),
  done: made(int()),
  changed: made(int()),
  left_alone: made(json<RefusalCounts>()),
  undone: made(int()),
  undo_left_alone: made(json<RefusalCounts>()),
  cancel: made(bool()),
  error: orNull(text()),
  made_at: instant(),
  ended_at: orNull(instant()),
});
