/** Rows of the sheets of an OpenDocument spreadsheet (ISO/IEC 26300), read as a stream. */
import { SaxesParser } from 'saxes';
import type { CsvRecord } from '@/core/imports';
import { entryStream } from './archive';
import type { Sheet } from './sheet';

/** Empty cells and rows are repeated to the edge of the sheet; beyond this nobody wrote anything. */
const MOST_REPEATED_CELLS = 2_000;
const MOST_REPEATED_ROWS = 200;
/** What is written may be repeated a little; a row or a cell that says the same hundreds of times is no person. */
const MOST_FILLED_CELLS = 64;
const MOST_FILLED_ROWS = 32;
/** Rows that a sheet may gain by repeating. */
const MOST_REPEATS = 2_000;
/** Cells of a row that are read. */
const MOST_CELLS = 2_000;

type Event = { sheet: string } | { row: CsvRecord };

/** The sheets in the order of the file. Each must be read before the next. */
export async function* odsSheets(path: string): AsyncGenerator<Sheet> {
  const events = eventsOf(path)[Symbol.asyncIterator]();
  let next = await events.next();
  while (!next.done) {
    if (!('sheet' in next.value)) {
      next = await events.next();
      continue;
    }
    const name = next.value.sheet;
    const rows = async function* (): AsyncGenerator<CsvRecord> {
      for (next = await events.next(); !next.done && 'row' in next.value; next = await events.next()) yield next.value.row;
    };
    const before = next;
    yield { name, rows: rows() };
    if (next === before) next = await events.next();
  }
}

async function* eventsOf(path: string): AsyncGenerator<Event> {
  const reader = new SheetReader();
  const decoder = new TextDecoder('utf-8');
  for await (const bytes of await entryStream(path, 'content.xml')) {
    reader.write(decoder.decode(bytes as Buffer, { stream: true }));
    yield* reader.taken();
  }
  reader.write(decoder.decode());
  reader.close();
  yield* reader.taken();
}

class SheetReader {
  private readonly parser = new SaxesParser();
  private events: Event[] = [];
  private cells: string[] = [];
  private line = 0;
  private rowRepeats = 1;
  private repeatsLeft = MOST_REPEATS;
  private cell: { text: string; repeats: number; value: string | null; paragraphs: number } | null = null;
  private inText = 0;
  private inNote = 0;

  constructor() {
    this.parser.on('opentag', ({ name, attributes }) => this.open(name, attributes as Record<string, string>));
    this.parser.on('closetag', ({ name }) => this.closed(name));
    this.parser.on('text', (text) => {
      if (this.cell && this.inText && !this.inNote) this.cell.text += text;
    });
    this.parser.on('error', (error) => {
      throw error;
    });
  }

  write(text: string): void {
    if (text) this.parser.write(text);
  }
  close(): void {
    this.parser.close();
  }
  taken(): Event[] {
    const events = this.events;
    this.events = [];
    return events;
  }

  private open(name: string, attributes: Record<string, string>): void {
    if (name === 'table:table') {
      this.events.push({ sheet: attributes['table:name'] ?? '' });
      this.line = 0;
    } else if (name === 'table:table-row') {
      this.cells = [];
      this.rowRepeats = Number(attributes['table:number-rows-repeated'] ?? 1);
    } else if (name === 'table:table-cell' || name === 'table:covered-table-cell') {
      const date = attributes['office:date-value'];
      const number = attributes['office:value-type'] === 'float' ? attributes['office:value'] : undefined;
      this.cell = {
        text: '',
        repeats: Number(attributes['table:number-columns-repeated'] ?? 1),
        value: date ?? number ?? null,
        paragraphs: 0,
      };
    } else if (name === 'office:annotation') this.inNote += 1;
    else if (name === 'text:p' && !this.inNote) {
      this.inText += 1;
      if (this.cell && (this.cell.paragraphs += 1) > 1) this.cell.text += '\n';
    } else if (name === 'text:s' && this.cell) this.cell.text += ' '.repeat(Math.min(100, Number(attributes['text:c'] ?? 1)));
    else if (name === 'text:line-break' && this.cell) this.cell.text += '\n';
    else if (name === 'text:tab' && this.cell) this.cell.text += '\t';
  }

  private closed(name: string): void {
    if (name === 'office:annotation') this.inNote -= 1;
    else if (name === 'text:p' && !this.inNote) this.inText -= 1;
    else if ((name === 'table:table-cell' || name === 'table:covered-table-cell') && this.cell) {
      const { repeats, value, text } = this.cell;
      const shown = value === null ? text : value.replace(/T00:00:00$/, '');
      const times = shown
        ? Math.min(repeats, MOST_FILLED_CELLS)
        : this.cells.length + repeats > MOST_REPEATED_CELLS
          ? 0
          : repeats;
      for (let at = 0; at < times && this.cells.length < MOST_CELLS; at += 1) this.cells.push(shown);
      this.cell = null;
    } else if (name === 'table:table-row') {
      const blank = this.cells.every((cell) => !cell);
      const wanted = blank
        ? this.rowRepeats > MOST_REPEATED_ROWS
          ? 0
          : this.rowRepeats
        : Math.min(this.rowRepeats, MOST_FILLED_ROWS);
      /* All repeats of a sheet together are few: a small file never becomes a hundred thousand people. */
      const times = Math.min(wanted, 1 + this.repeatsLeft);
      this.repeatsLeft -= Math.max(0, times - 1);
      for (let at = 0; at < times; at += 1) {
        this.line += 1;
        this.events.push({ row: { line: this.line, cells: [...this.cells], openQuote: false } });
      }
      if (!times) this.line += this.rowRepeats;
    }
  }
}
