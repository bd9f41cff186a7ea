/**
 * Documents that no question compares (what came in, why, with which words) have no statistics: PostgreSQL sorted thirty thousand of them a
 * table whenever a flood of leads had changed enough rows, which took half of the time of its looking, on the processors that the flood needs.
 */
import type { Migration } from './migration';

const DOCUMENTS: Record<string, readonly string[]> = {
  inquiries: ['raw', 'parsed', 'because'],
  activities: ['data', 'because'],
  routings: ['passing', 'trace'],
  outbox: ['payload'],
  enrolments: ['because'],
};

const up = Object.entries(DOCUMENTS)
  .map(
    ([table, columns]) =>
      `alter table ${table} ${columns.map((column) => `alter column ${column} set statistics 0`).join(', ')};`,
  )
  .join('\n');

export const statistics: Migration = { name: '0023_statistics', up: (run) => run(up) };
