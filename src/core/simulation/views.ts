/** What pages and API answers show of simulation. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */

export interface AdvanceView {
  id: string;
  state: 'waiting' | 'running' | 'done' | 'failed';
  reached: Date | null;
  /** How many instants with something due were passed. */
  done: number;
  error: string | null;
}
