/** Broadcasts: one message to many, each addressed to one person; when it goes, whom it leaves out and why. */
import type { RefusalCounts, SendChannel } from '../contacts';
import type { Question } from '../segments';
import type { Words } from './words';

/** Now; at a clock time of a day in the office's zone; or at that clock time wherever each person is. */
export type Goes = ({ on: 'now' } | { on: 'office' | 'local'; day: string; at: string }) & {
  /** Letters: by the print-and-post house, or on a printer here, as one file. */
  printed?: 'house' | 'here';
};

export const BROADCAST_STATES = ['draft', 'filling', 'going', 'paused', 'done', 'cancelled', 'failed'] as const;
/** Where a broadcast stands. */
export type BroadcastState = (typeof BROADCAST_STATES)[number];
export const BROADCAST_STATE_WORDS: Record<BroadcastState, string> = {
  draft: 'draft',
  filling: 'being addressed',
  going: 'going out',
  paused: 'paused',
  done: 'done',
  cancelled: 'cancelled',
  failed: 'failed',
};

/** Whom it would reach, counted before anything is sent. */
export interface Reach {
  /** People chosen, each once. */
  people: number;
  receive: number;
  left_out: RefusalCounts;
  letter_cents: number;
  /** The instant at which the last would go. */
  minutes: number;
  /** The day it is set for is a holiday: its name, and the first day behind it that is none. */
  holiday: { name: string; next: string } | null;
}

/** What became of it, counted in messages; answers and noes are those of a week. */
export interface BroadcastCounts {
  waiting: number;
  sent: number;
  held: number;
  cancelled: number;
  bounced: number;
  complained: number;
  opened: number;
  clicked: number;
  answered: number;
  answered_first_hour: number;
  opted_out: number;
  delivered_letters: number;
}
/** The people behind a number. */
export const BROADCAST_PEOPLE = [
  'waiting',
  'sent',
  'held',
  'bounced',
  'complained',
  'opened',
  'clicked',
  'answered',
  'opted_out',
] as const;
/** Whom of a broadcast one looks at: who opened, answered, … */
export type BroadcastPeople = (typeof BROADCAST_PEOPLE)[number];

/** A broadcast as pages and the API show it. */
export interface BroadcastView {
  id: string;
  name: string;
  channel: SendChannel;
  template_id: string | null;
  words: Words;
  selection: BroadcastSelection;
  goes: Goes;
  per_minute: number;
  state: BroadcastState;
  people: number;
  left_out: RefusalCounts;
  error: string | null;
  made_by: { id: string; name: string } | null;
  made_at: Date;
  started_at: Date | null;
  ended_at: Date | null;
  /** When the next and the last of it are due. */
  next_at: Date | null;
  last_at: Date | null;
  may_change: boolean;
  counts: BroadcastCounts;
}

/** People by their ids, or segments together. */
export interface BroadcastSelection {
  ids?: string[];
  segments?: string[];
  question?: Question;
  except?: string[];
}
