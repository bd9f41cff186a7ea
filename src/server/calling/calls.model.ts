/** The table of calls. */
import type { CallOutcome, CallState } from '@/core/calling';
import { bigint, id, instant, int, made, orNull, table, text } from '../shared';

export const callsTable = table('calls', {
  id: id(),
  account_id: bigint(),
  contact_id: bigint(),
  user_id: bigint(),
  key: text(),
  direction: made(text()),
  number: text(),
  state: text<CallState>(),
  outcome: orNull(text<CallOutcome>()),
  outcome_by: orNull(text()),
  note: made(text()),
  started_at: instant(),
  answered_at: orNull(instant()),
  ended_at: orNull(instant()),
  talk_seconds: made(int()),
  activity_id: orNull(bigint()),
});
