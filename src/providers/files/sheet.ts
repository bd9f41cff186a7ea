/** One sheet of a workbook, whatever wrote it. */
import type { CsvRecord } from '@/core/imports';

export interface Sheet {
  name: string;
  rows: AsyncIterable<CsvRecord>;
}
