/** Rows of the sheets of an XLSX workbook, read as a stream; dates come as `YYYY-MM-DD`, formulas as the value that was stored. */
import type ExcelJS from 'exceljs';
import type { CsvRecord } from '@/core/imports';
import type { Sheet } from './sheet';

/** The sheets in the order of the file. Each must be read, or left, before the next. */
export async function* xlsxSheets(path: string): AsyncGenerator<Sheet> {
  /* Half a second to load, which the thread of every other file does without. */
  const { default: excel } = await import('exceljs');
  const reader = new excel.stream.xlsx.WorkbookReader(path, {
    sharedStrings: 'cache',
    styles: 'cache',
    hyperlinks: 'ignore',
    worksheets: 'emit',
    entries: 'ignore',
  });
  let at = 0;
  for await (const sheet of reader) {
    at += 1;
    const { name, state } = sheet as unknown as { name?: string; state?: string };
    if (state === 'hidden' || state === 'veryHidden') continue;
    yield { name: name ?? `Sheet ${at}`, rows: rowsOf(sheet) };
  }
}

async function* rowsOf(sheet: AsyncIterable<ExcelJS.Row>): AsyncGenerator<CsvRecord> {
  for await (const row of sheet) {
    const cells: string[] = [];
    const values = row.values as ExcelJS.CellValue[];
    for (let at = 1; at < values.length; at += 1) cells.push(textOf(values[at]));
    yield { line: row.number, cells, openQuote: false };
  }
}

/** A cell's value as people see it. */
function textOf(value: ExcelJS.CellValue | undefined): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return dayText(value);
  if (typeof value === 'number') return Number.isInteger(value) ? value.toFixed(0) : String(value);
  if (typeof value !== 'object') return String(value);
  if ('richText' in value) return value.richText.map((part) => part.text).join('');
  if ('text' in value) return textOf(value.text);
  if ('result' in value) return textOf(value.result);
  if ('formula' in value) return `=${value.formula}`;
  return '';
}

const dayText = (date: Date): string => {
  if (Number.isNaN(date.getTime())) return '';
  const iso = date.toISOString();
  return iso.endsWith('T00:00:00.000Z') ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' ');
};
