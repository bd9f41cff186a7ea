/** What pages and API answers show of calling. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { CallState, CallOutcome } from './outcomes';

/** A call as pages show it. */
export interface CallView {
  id: string;
  contact_id: string;
  state: CallState;
  outcome: CallOutcome | null;
  /** True when the network alone named the outcome; the agent may still say better. */
  outcome_guessed: boolean;
  number: string;
  note: string;
  started_at: Date;
  answered_at: Date | null;
  ended_at: Date | null;
  talk_seconds: number;
}
