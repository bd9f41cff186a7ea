/** The table of enrollments. */
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const enrollmentsTable = table('enrollments', {
  id: id(),
  account_id: bigint(),
  campaign_id: bigint(),
  contact_id: bigint(),
  state: made(text<'active' | 'paused' | 'stopped' | 'finished'>()),
  step: made(int()),
  started_at: instant(),
  due_at: orNull(instant()),
  planned_at: orNull(instant()),
  ended_at: orNull(instant()),
  because: orNull(json()),
  version_id: bigint(),
  round: made(int()),
  last_at: orNull(instant()),
  owes: made(bool()),
});
