/** What pages and API answers show of exports. */
import type { Rhythm } from './schedule';
import type { SheetKey } from './sheets';

export const EXPORT_FORMATS = ['csv', 'xlsx', 'vcf', 'labels', 'cards'] as const;
/** The format of an exported file. */
export type ExportFormat = (typeof EXPORT_FORMATS)[number];

/** For labels and cards: the sheet, and how many of its places are used up already. */
export interface ExportOptions {
  sheet?: SheetKey;
  start?: number;
  per_household?: boolean;
}

/** An export as pages show it. */
export interface ExportView {
  id: string;
  format: ExportFormat;
  state: 'waiting' | 'running' | 'done' | 'failed';
  total: number;
  done: number;
  bytes: number;
  error: string | null;
  by: string | null;
  made_at: Date;
  ended_at: Date | null;
  /** Whether it is sent to whoever asked, when that was done, or why it could not be. */
  email: boolean;
  mailed_at: Date | null;
  mail_error: string | null;
}

/** An export that comes back by itself. */
export interface ScheduleView extends Rhythm {
  id: string;
  name: string;
  format: ExportFormat;
  email: boolean;
  next_at: Date;
  error: string | null;
  by: string;
  /** The file of last time. */
  last: {
    id: string;
    state: ExportView['state'];
    done: number;
    error: string | null;
    mail_error: string | null;
    made_at: string;
  } | null;
}
