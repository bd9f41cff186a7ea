/**
 * Reading delimited text (RFC 4180 and what is sent under its name), bit by bit: quoted line breaks, doubled quotes, mixed line
 * ends, stray quotes. A quotation mark that is never closed costs its own line and nothing after it.
 */
export interface CsvRecord {
  /** The physical line on which the record begins, from 1. */
  line: number;
  cells: string[];
  /** True when a quotation mark opened a cell and no other closed it. */
  openQuote: boolean;
}

/** A quoted cell longer than this was never meant to be one: its quotation mark is a stray one. */
const LONGEST_QUOTED = 64_000;

/** Reads CSV as it comes, record after record. */
export class CsvReader {
  private text = '';
  private line = 1;
  private done = false;

  constructor(private readonly delimiter: string) {}

  /** Takes more text. @returns the records that are whole by now */
  feed(more: string): CsvRecord[] {
    this.text += more;
    return this.drain();
  }

  /** The text is at its end. */
  end(): CsvRecord[] {
    this.done = true;
    return this.drain();
  }

  private drain(): CsvRecord[] {
    const records: CsvRecord[] = [];
    let at = 0;
    while (at < this.text.length) {
      const read = this.record(at);
      if (!read) break;
      records.push(read.record);
      this.line += read.lines;
      at = read.next;
    }
    this.text = this.text.slice(at);
    return records;
  }

  /** One record from `at`, or null when the text does not hold it whole yet. */
  private record(at: number): { record: CsvRecord; next: number; lines: number } | null {
    return this.scan(at, true) ?? null;
  }

  private scan(start: number, mayQuote: boolean): { record: CsvRecord; next: number; lines: number } | null {
    const { text, delimiter } = this;
    const cells: string[] = [];
    let cell = '';
    let lines = 0;
    let at = start;
    for (;;) {
      if (at >= text.length) {
        if (!this.done) return null;
        cells.push(cell);
        return this.found(cells, !mayQuote, at, lines);
      }
      const sign = text[at]!;
      if (sign === '"' && mayQuote && cell.trim() === '') {
        const closed = this.quoted(at);
        if (closed === 'more') return null;
        if (closed === 'never') return this.scan(start, false);
        lines += closed.lines;
        cell = closed.value;
        at = closed.next;
        continue;
      }
      if (sign === delimiter) {
        cells.push(cell);
        cell = '';
        at += 1;
      } else if (sign === '\n' || sign === '\r') {
        if (sign === '\r' && at + 1 >= text.length && !this.done) return null;
        cells.push(cell);
        const next = sign === '\r' && text[at + 1] === '\n' ? at + 2 : at + 1;
        return this.found(cells, !mayQuote, next, lines + 1);
      } else {
        const stop = this.plainUntil(at);
        cell += text.slice(at, stop);
        at = stop;
      }
    }
  }

  private plainUntil(at: number): number {
    let stop = at + 1;
    while (stop < this.text.length) {
      const sign = this.text[stop]!;
      if (sign === this.delimiter || sign === '\n' || sign === '\r' || sign === '"') break;
      stop += 1;
    }
    return stop;
  }

  /** A quoted cell from its opening mark; what stands between the closing mark and the delimiter belongs to it. */
  private quoted(open: number): { value: string; next: number; lines: number } | 'more' | 'never' {
    let value = '';
    let at = open + 1;
    let lines = 0;
    for (;;) {
      const mark = this.text.indexOf('"', at);
      if (mark < 0) return !this.done && this.text.length - open < LONGEST_QUOTED ? 'more' : 'never';
      if (mark - open > LONGEST_QUOTED) return 'never';
      value += this.text.slice(at, mark);
      if (this.text[mark + 1] === '"') {
        value += '"';
        at = mark + 2;
        continue;
      }
      if (mark + 1 >= this.text.length && !this.done) return 'more';
      if (this.opensAnother(open, mark)) return 'never';
      const after = this.text[mark + 1];
      if (after !== undefined && after !== this.delimiter && after !== '\n' && after !== '\r' && after !== ' ') {
        value += '"';
        at = mark + 1;
        continue;
      }
      lines = (value.match(/\r\n|\n|\r/g) ?? []).length;
      return { value: value.replace(/\r\n?/g, '\n'), next: mark + 1, lines };
    }
  }

  /** Past a line's end, a mark right after a delimiter opens a cell of a later row: the one before it was never closed. */
  private opensAnother(open: number, mark: number): boolean {
    const before = this.text[mark - 1];
    const after = this.text[mark + 1];
    if ((before !== this.delimiter && before !== '\n') || after === undefined || /[\s"]/.test(after) || after === this.delimiter)
      return false;
    const between = this.text.slice(open + 1, mark);
    return between.includes('\n') && between.split(/\r?\n/).every((line) => line.includes(this.delimiter));
  }

  private found(cells: string[], openQuote: boolean, next: number, lines: number) {
    return { record: { line: this.line, cells, openQuote }, next, lines };
  }
}

/** All records of a text. For small texts and samples. */
export function readCsv(text: string, delimiter: string): CsvRecord[] {
  const reader = new CsvReader(delimiter);
  return [...reader.feed(text), ...reader.end()];
}

const DELIMITERS = [',', ';', '\t', '|'];

/** The delimiter that cuts a sample into the most even rows; a comma when nothing is cut at all. */
export function findDelimiter(sample: string): string {
  const match = /^sep=(.)\r?\n/i.exec(sample);
  if (match) return match[1]!;
  let best = ',';
  let most = 0;
  for (const delimiter of DELIMITERS) {
    const widths = readCsv(sample, delimiter)
      .slice(0, 60)
      .map((record) => record.cells.length)
      .filter((width, at, all) => width > 1 || all.length < 3);
    const usual = mode(widths.filter((width) => width > 1));
    if (!usual) continue;
    const even = widths.filter((width) => width === usual).length;
    const score = even * Math.min(usual, 12);
    if (score > most) {
      most = score;
      best = delimiter;
    }
  }
  return best;
}

function mode(numbers: number[]): number {
  const seen = new Map<number, number>();
  for (const one of numbers) seen.set(one, (seen.get(one) ?? 0) + 1);
  return [...seen].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 0;
}
