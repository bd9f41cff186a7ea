/**
 * The thread in which one file that people brought is read: it answers what the file is, then its people in batches, each when it is asked
 * for. It may be ended at any instant; `worker/imports/apart.ts` starts it, asks it, and limits its time and memory.
 */
import { parentPort, workerData } from 'node:worker_threads';
import type { AccountWords, ImportColumn, ImportedPerson } from '@/core/imports';
import type { ReadFile } from '@/providers/files';
import { openImport, peopleOf } from '../imports/read';

export interface FileOrder {
  path: string;
  columns: ImportColumn[] | null;
  thisYear: number;
  words: AccountWords;
}
export type FileHead = { refused: string; kind: string } | { empty: ReadFile['format'] } | Pick<ReadFile, 'format' | 'columns'>;
/** What is asked: the people from the beginning, by columns that may have been corrected; or the next of them. */
export type FileQuestion = { ask: 'begin'; columns: ReadFile['columns'] } | { ask: 'next' };
export interface FilePart {
  people: ImportedPerson[];
  done: boolean;
  format: ReadFile['format'];
  ignored: ReadFile['ignored'];
}

/** People of a part, and signs of their rows: a part is small whatever the file holds. */
const MOST_PEOPLE = 250;
const MOST_SIGNS = 500_000;

async function serve(): Promise<void> {
  const port = parentPort!;
  const { path, columns, thisYear, words } = workerData as FileOrder;
  const reading = await openImport(path, columns, thisYear, words);
  if ('refused' in reading || 'empty' in reading) return port.postMessage(reading satisfies FileHead);
  port.postMessage({ format: reading.format, columns: reading.columns } satisfies FileHead);
  let people: AsyncGenerator<ImportedPerson> | null = null;
  const part = async (): Promise<FilePart> => {
    const found: ImportedPerson[] = [];
    let signs = 0;
    while (found.length < MOST_PEOPLE && signs < MOST_SIGNS) {
      const step = await people!.next();
      if (step.done) return { people: found, done: true, format: reading.format, ignored: reading.ignored };
      const { value } = step;
      found.push(value);
      signs += value.raw?.reduce((sum, cell) => sum + cell.length, 0) ?? value.notes?.length ?? 0;
    }
    return { people: found, done: false, format: reading.format, ignored: reading.ignored };
  };
  port.on('message', (question: FileQuestion) => {
    if (question.ask === 'begin') {
      reading.columns.splice(0, Infinity, ...question.columns);
      people = peopleOf(reading);
    }
    part().then(
      (answer) => port.postMessage(answer),
      (error: unknown) => {
        throw error;
      },
    );
  });
}

void serve();
