/** What pages and API answers show of exports. */
import type { SheetKey } from './sheets';

export const EXPORT_FORMATS = ['csv', 'xlsx', 'vcf', 'labels', 'cards'] as const;
export type ExportFormat = (typeof EXPORT_FORMATS)[number];

/** For labels and cards: the sheet, and how many of its places are used up already. */
export interface ExportOptions {
  sheet?: SheetKey;
  start?: number;
  per_household?: boolean;
}

export interface ExportView {
  id: string;
  format: ExportFormat;
  state: 'waiting' | 'running' | 'done' | 'failed';
  total: number;
  done: number;
  bytes: number;
  fault: string | null;
  by: string | null;
  made_at: Date;
  ended_at: Date | null;
}
