/** What pages and API answers show of changes. */
import type { RefusalCounts } from '../contacts';

export const CHANGE_STATES = ['waiting', 'running', 'done', 'cancelled', 'failed', 'undoing', 'undone'] as const;
/** Where a bulk action stands. */
export type ChangeState = (typeof CHANGE_STATES)[number];

/** A bulk action as the history shows it. */
export interface ChangeView {
  id: string;
  kind: string;
  /** What was done, to how many. */
  sentence: string;
  state: ChangeState;
  total: number;
  done: number;
  changed: number;
  left_alone: RefusalCounts;
  undone: number;
  undo_left_alone: RefusalCounts;
  error: string | null;
  by: string | null;
  made_at: Date;
  ended_at: Date | null;
  can_undo: boolean;
}

/** What a bulk action would do, before it is done. */
export interface ChangePreview {
  count: number;
  will_change: number;
  left_alone: RefusalCounts;
  sentence: string;
}

/** A tag that selected contacts have, and how many of them. */
export interface SelectionTag {
  id: string;
  people: number;
}
