/** The table of export schedules. */
import type { ExportOptions } from '@/core/exports';
import type { Question } from '@/core/segments';
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const exportSchedulesTable = table('export_schedules', {
  id: id(),
  account_id: bigint(),
  user_id: bigint(),
  name: text(),
  format: text<'csv' | 'xlsx' | 'vcf' | 'labels' | 'cards'>(),
  options: made(json<ExportOptions>()),
  question: json<Question>(),
  every: text<'day' | 'week' | 'month'>(),
  day: int(),
  at: text(),
  zone: text(),
  email: bool(),
  next_at: instant(),
  error: orNull(text()),
  made_at: instant(),
});
