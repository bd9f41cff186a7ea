/** Making sense of a table: which row holds the headings, what each column is, which lines are no people. */
import { dataOf, trimmed } from './cell';
import { orderOf, readDay, type DayOrder } from '../format';
import { readEmails, readPhones } from './addresses';
import { phoneOf } from '../capture';
import { meaningOf, type Target } from './headings';
import { roleWords } from './words';

/** A column of a file with what it becomes. */
export interface Column {
  at: number;
  /** As it stands in the file; empty when there is none. */
  heading: string;
  target: Target;
  /** Day or month first, for columns of days. */
  order?: DayOrder;
}

/** Where a table's headings and people stand. */
export interface TableLayout {
  /** Index into the sample of the record with the headings; null when there is none. */
  headingAt: number | null;
  columns: Column[];
}

const filled = (cells: string[]): number => cells.filter((cell) => trimmed(cell) !== '').length;
export const isBlankRow = (cells: string[]): boolean => filled(cells) === 0;

/** True for a value that is a person's, never a heading. */
const isData = (cell: string): boolean => {
  const text = dataOf(cell);
  return (
    /@.+\./.test(text) ||
    (/\d{7,}/.test(text.replace(/\D/g, '')) && phoneOf(text) !== null) ||
    /^\d{5}(?:-\d{4})?$/.test(text) ||
    /^\d{4}-\d\d-\d\d/.test(text)
  );
};
const known = (cells: string[]): number =>
  cells.filter((cell) => trimmed(cell) && cell.length < 80 && !['custom', 'ignore'].includes(meaningOf(cell))).length;

/** Looks at the first records of a table. @param sample records with the blank ones left in */
export function layoutOf(sample: string[][]): TableLayout {
  const headingAt = findHeadings(sample);
  const rows = sample.slice(headingAt === null ? 0 : headingAt + 1).filter((cells) => !isBlankRow(cells));
  const headings = headingAt === null ? [] : sample[headingAt]!.map(trimmed);
  const width = headingAt === null ? Math.max(0, ...rows.map((cells) => cells.length)) : headings.length;
  const columns: Column[] = [];
  for (let at = 0; at < width; at += 1) {
    const heading = headings[at] ?? '';
    const values = rows.map((cells) => dataOf(cells[at] ?? '')).filter(Boolean);
    columns.push({ at, heading, target: heading ? told(meaningOf(heading), values) : 'custom', order: orderOf(values) });
  }
  if (headingAt === null) guessAll(columns, rows);
  else settle(columns, rows);
  return { headingAt, columns };
}

const isWholeAddress = (value: string): boolean => /,.*\d{5}(?:-\d{4})?\b/.test(value);

/** The best of the first records: most cells that read as headings, none that is data. */
function findHeadings(sample: string[][]): number | null {
  let best: { at: number; score: number } | null = null;
  for (const [at, cells] of sample.slice(0, 25).entries()) {
    const there = filled(cells);
    if (!there || cells.some(isData)) continue;
    const meant = known(cells);
    const score = meant * 3 + Math.min(there, 12) / 4;
    const enough = meant >= 2 || (meant === 1 && there <= 2);
    if (enough && meant / there >= (there > 20 ? 0.02 : 0.25) && (!best || score > best.score)) best = { at, score };
  }
  if (best) return best.at;
  return null;
}

/** What the values say against the heading: a column of e-mail addresses is one, whatever stands above it. */
function told(target: Target, values: string[]): Target {
  if (!values.length) return target;
  const share = (test: (value: string) => boolean) => values.filter(test).length / values.length;
  if (target === 'custom' || target === 'name' || target === 'notes' || target === 'ignore') {
    if (values.length > 1 && share((value) => readEmails(value).found.length > 0 && value.length < 200) > 0.8) return 'email';
    if (
      values.length > 1 &&
      target === 'custom' &&
      share(
        (value) =>
          /\d{3}\D?\d{4}/.test(value) && readPhones(value).found.length > 0 && value.replace(/[\d\s()+.x-]/g, '').length < 6,
      ) > 0.8
    )
      return 'phone';
  }
  if (target === 'street' && share(isWholeAddress) > 0.5) return 'address';
  if (target === 'owner' && share((value) => /@/.test(value)) > 0.5) return 'owner';
  if (target === 'horizon' && share((value) => /\b(?:hot|warm|nurture|someday|cold)\b/i.test(value)) < 0.5) return 'custom';
  if (target === 'stage' && share((value) => roleWords(value).roles.length > 0) > 0.6) return 'roles';
  return target;
}

/** What the columns say together: an address alone, a first name alone, a property where nobody lives. */
function settle(columns: Column[], rows: string[][]): void {
  const has = (target: Target) => columns.some((column) => column.target === target);
  const valuesOf = (column: Column) => rows.map((cells) => dataOf(cells[column.at] ?? '')).filter(Boolean);
  if (has('address') && (has('city') || has('postal_code')) && !has('street'))
    columns.filter(({ target }) => target === 'address').forEach((column) => (column.target = 'street'));
  if (has('first') && !has('last')) {
    const first = columns.find(({ target }) => target === 'first')!;
    const values = valuesOf(first);
    if (!has('name') && values.filter((value) => /\s/.test(value)).length > values.length / 2) first.target = 'name';
  }
  const names = columns.filter(({ target }) => target === 'name');
  if (names.length === 2 && !has('first') && !has('last')) [names[0]!.target, names[1]!.target] = ['first', 'last'];
  if (has('name') && has('last') && !has('first')) columns.find(({ target }) => target === 'name')!.target = 'first';
  if (!has('name') && !has('first') && !has('last')) {
    const owner = columns.find(({ target, heading }) => target === 'owner' && /name|owner/i.test(heading));
    if (owner) owner.target = 'name';
  }
}

/** Without headings: each column by its values. */
function guessAll(columns: Column[], rows: string[][]): void {
  const taken = new Set<Target>();
  const values = (at: number) => rows.map((cells) => dataOf(cells[at] ?? '')).filter(Boolean);
  for (const column of columns) {
    const seen = values(column.at);
    const share = (test: (value: string) => boolean) => (seen.length ? seen.filter(test).length / seen.length : 0);
    if (!seen.length) column.target = 'ignore';
    else if (share((value) => readEmails(value).found.length > 0) > 0.6) column.target = 'email';
    else if (share((value) => /^\d{5}(?:-\d{4})?$/.test(value)) > 0.7) column.target = 'postal_code';
    else if (share((value) => value.replace(/\D/g, '').length >= 7 && readPhones(value).found.length > 0) > 0.6)
      column.target = 'phone';
    else if (share((value) => readDay(value, column.order!, 2100) !== null) > 0.7) column.target = 'birthday';
    else if (share((value) => roleWords(value).roles.length > 0) > 0.6) column.target = 'roles';
    else if (share((value) => /^\d+\s+\p{L}/u.test(value)) > 0.6)
      column.target = share(isWholeAddress) > 0.5 ? 'address' : 'street';
  }
  for (const column of columns.filter(({ target }) => target === 'custom')) {
    const seen = values(column.at);
    const wordy = seen.filter((value) => /^[\p{L}'’.\-\s&,]+$/u.test(value)).length / Math.max(1, seen.length);
    if (wordy < 0.7) continue;
    const spaced = seen.filter((value) => /\s/.test(value)).length / seen.length;
    const streetBefore = columns.some((other) => other.target === 'street' && other.at < column.at);
    const next: Target | undefined =
      !taken.has('first') && !taken.has('name')
        ? spaced > 0.6
          ? 'name'
          : 'first'
        : taken.has('first') && !taken.has('last')
          ? 'last'
          : streetBefore && !taken.has('city')
            ? 'city'
            : undefined;
    if (next) {
      column.target = next;
      taken.add(next);
    }
  }
  const first = columns.find(({ target }) => target === 'first');
  if (first && !taken.has('last')) first.target = 'name';
}

const TOTALS =
  /^(?:grand total|sub ?total|totals?|sum|summe|count|records|rows|end of (?:file|list|report)|gesamt|anzahl|insgesamt|suma)\b/i;

/** A line below the people that counts or ends them. */
export const isFooter = (cells: string[]): boolean => {
  const there = cells.map(trimmed).filter(Boolean);
  return there.length > 0 && there.length <= 3 && TOTALS.test(there[0]!) && !cells.some((cell) => /@/.test(cell));
};

/** The headings once more in the middle of the table, as in files that were put together from several. */
export const repeatsHeadings = (cells: string[], columns: Column[]): boolean => {
  const there = columns.filter((column) => column.heading);
  return there.length > 1 && there.every((column) => trimmed(cells[column.at] ?? '') === column.heading);
};
