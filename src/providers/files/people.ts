/** The people of an opened file, one after another, with the lines that are none counted. */
import {
  type AccountWords,
  groupOf,
  isBlankRow,
  isFooter,
  layoutOf,
  readCard,
  readRow,
  repeatsHeadings,
  type CardGroup,
  type Column,
  type FileFormat,
  type ImportedPerson,
} from '@/core/imports';
import { openFile, type OpenedFile } from './open';

export interface ReadFile {
  format: FileFormat;
  columns: Column[];
  people: () => AsyncIterable<ImportedPerson>;
  /** Filled while `people` runs. */
  ignored: { above: number; blank: number; below: number };
  groups: CardGroup[];
}
export type FileReading = ReadFile | { refused: string; kind: string } | { empty: FileFormat };

export interface ReadOptions {
  thisYear: number;
  /** The meaning of columns as a person corrected it; otherwise as recognised. */
  columns?: Column[];
  words?: AccountWords;
}

/** Opens a file and says how its people are read. */
export async function readContacts(path: string, options: ReadOptions): Promise<FileReading> {
  const opened = await openFile(path);
  if (opened.is === 'refused') return { refused: opened.sentence, kind: opened.kind };
  if (opened.is === 'empty') return { empty: opened.format };
  return opened.is === 'cards' ? cardReading(opened, options) : tableReading(opened, options);
}

function tableReading(opened: Extract<OpenedFile, { is: 'table' }>, options: ReadOptions): ReadFile {
  const { headingAt, columns } = layoutOf(opened.sample.map(({ cells }) => cells));
  const headingLine = headingAt === null ? null : opened.sample[headingAt]!.line;
  const reading: ReadFile = {
    format: { ...opened.format, headingRow: headingLine },
    columns: options.columns ?? columns,
    ignored: { above: headingAt === null ? 0 : headingLine! - 1, blank: 0, below: 0 },
    groups: [],
    people: async function* () {
      Object.assign(reading.ignored, { blank: 0, below: 0 });
      let row = 0;
      let blanks = 0;
      for await (const record of opened.records()) {
        if (headingLine !== null && record.line <= headingLine) continue;
        if (isBlankRow(record.cells)) {
          blanks += 1;
          continue;
        }
        if (isFooter(record.cells)) {
          reading.ignored.below += 1;
          continue;
        }
        reading.ignored.blank += blanks;
        blanks = 0;
        if (repeatsHeadings(record.cells, reading.columns)) continue;
        row += 1;
        const person = readRow(record, row, { columns: reading.columns, thisYear: options.thisYear, words: options.words });
        person.raw = record.cells;
        yield person;
      }
    },
  };
  return reading;
}

function cardReading(opened: Extract<OpenedFile, { is: 'cards' }>, options: ReadOptions): ReadFile {
  const versions = new Map<string, number>();
  const reading: ReadFile = {
    format: { ...opened.format },
    columns: [],
    ignored: { above: 0, blank: 0, below: 0 },
    groups: [],
    people: async function* () {
      reading.groups.length = 0;
      versions.clear();
      let row = 0;
      for await (const card of opened.cards()) {
        versions.set(card.version, (versions.get(card.version) ?? 0) + 1);
        reading.format.version = [...versions].sort((a, b) => b[1] - a[1])[0]![0];
        const group = groupOf(card);
        if (group) reading.groups.push(group);
        else yield readCard(card, (row += 1), options.thisYear);
      }
    },
  };
  return reading;
}
