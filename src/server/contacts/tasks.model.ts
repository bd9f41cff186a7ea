/** The table of tasks. */
import { bigint, id, instant, json, made, orNull, table, text } from '../shared';

export const tasksTable = table('tasks', {
  id: id(),
  account_id: bigint(),
  contact_id: bigint(),
  user_id: orNull(bigint()),
  kind: text<'call' | 'promise'>(),
  due_at: instant(),
  note: made(text()),
  because: orNull(json()),
  key: orNull(text()),
  done_at: orNull(instant()),
  created_at: instant(),
  role: orNull(text()),
});
