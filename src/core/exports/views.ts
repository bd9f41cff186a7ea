/** What pages and API answers show of exports. */
export const EXPORT_FORMATS = ['csv', 'xlsx', 'vcf'] as const;
export type ExportFormat = (typeof EXPORT_FORMATS)[number];

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
