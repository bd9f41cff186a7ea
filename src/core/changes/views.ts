/** What pages and API answers show of changes. */
import type { Channel } from '../contacts';
import type { LeftAlone } from './change';

export type PermissionChannelKey = Channel;

export const CHANGE_STATES = ['waiting', 'running', 'done', 'cancelled', 'failed', 'undoing', 'undone'] as const;
export type ChangeState = (typeof CHANGE_STATES)[number];

export interface ChangeView {
  id: string;
  kind: string;
  /** What was done, to how many. */
  sentence: string;
  state: ChangeState;
  total: number;
  done: number;
  changed: number;
  left_alone: Partial<Record<LeftAlone, number>>;
  undone: number;
  undo_left_alone: Partial<Record<LeftAlone, number>>;
  fault: string | null;
  by: string | null;
  made_at: Date;
  ended_at: Date | null;
  can_undo: boolean;
}

export interface ChangePreview {
  count: number;
  will_change: number;
  left_alone: Partial<Record<LeftAlone, number>>;
  sentence: string;
}
