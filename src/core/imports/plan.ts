/** What is to become of the people of a file: chosen once for all of them, and decided here for each. */
import type { PreviewContact } from './preview';
import type { Column } from './table';
import type { FileFormat } from './preview';

export const ON_MATCH = ['fill', 'update', 'skip', 'new'] as const;
/** What an import does with somebody who is here already. */
export type OnMatch = (typeof ON_MATCH)[number];

/** What was chosen for an import. */
export interface ImportOptions {
  /** What happens to somebody who is here already. */
  on_match: OnMatch;
  /** Take what is good in doubtful rows, or leave them for the file of what was not taken. */
  doubtful: 'take' | 'leave';
  stage: string | null;
  tags: string[];
  owner_id: string | null;
  source: string | null;
}
export const FIRST_OPTIONS: ImportOptions = {
  on_match: 'fill',
  doubtful: 'take',
  stage: null,
  tags: [],
  owner_id: null,
  source: null,
};

/** Where a column that is no field of every contact goes: to a note, or to a field of the account (`field:` and its id, `new` to make one). */
export type CustomPlace = 'note' | 'new' | `field:${string}`;
/** A column of an import with what it becomes. */
export interface ImportColumn extends Column {
  place?: CustomPlace;
  /** Some values, for people who check. */
  sample?: string[];
}

/** What the first look through a file found. */
export interface ImportScan {
  rows: number;
  accepted: number;
  /** The first doubtful rows with their reasons. */
  doubtful: { row: number; reason: string; why: string }[];
  doubtful_count: number;
  /** How many are here already, by an address. */
  known: number;
  /** How many stand in the file more than once. */
  twice: number;
  /** How many have a phone or an email that stands in the file under another name too; missing in those of long ago. */
  sharing?: number;
  partners: number;
  permissions: number;
  people: PreviewContact[];
  ignored: { above: number; blank: number; below: number };
}

export const IMPORT_STATES = [
  'uploading',
  'looking',
  'ready',
  'refused',
  'waiting',
  'running',
  'done',
  'cancelled',
  'failed',
  'undoing',
  'undone',
] as const;
/** Where an import stands. */
export type ImportState = (typeof IMPORT_STATES)[number];

/** An import as pages and the API show it. */
export interface ImportView {
  id: string;
  file_name: string;
  bytes: number;
  state: ImportState;
  /** Nothing until the file has been looked at. */
  format: FileFormat | Record<string, never>;
  columns: ImportColumn[];
  options: ImportOptions;
  look: ImportScan | null;
  sentence: string | null;
  total: number;
  read: number;
  made: number;
  changed: number;
  same: number;
  left_out: number;
  doubtful: number;
  undone: number;
  undo_left_alone: number;
  error: string | null;
  by: string | null;
  made_at: Date;
  ended_at: Date | null;
}

/** Headings by which a file of the same make is known again. */
export const headingPrint = (columns: Pick<Column, 'heading'>[]): string =>
  columns.map(({ heading }) => heading.trim().toLowerCase()).join('\u241f');
