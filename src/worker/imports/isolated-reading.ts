/**
 * A file read apart: in a thread of its own with a limit of memory, and of time for each answer. A file made to hang or to fill the memory
 * ends its thread; the worker goes on, and the import says so.
 */
import { stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { AccountWords, ImportColumn, ImportedPerson } from '@/core/imports';
import { AppError } from '@/core/shared';
import type { ReadFile } from '@/providers/files';
import type { FileHead, FileOrder, FilePart, FileQuestion } from '../reading/file-reader';

const MOST_HEAP_MB = 192;
/** For an answer, and more for each megabyte of the file: a workbook is read through before its sheet is chosen. */
const MOST_MS = 15_000;
const MS_A_MEGABYTE = 1_500;

const file = (): string => {
  const reader = process.env.READER_FILE ?? join(process.cwd(), 'dist', 'reader.js');
  return join(dirname(reader), 'file-reader.js');
};

export type ApartReading =
  | Extract<FileHead, { refused: string } | { empty: ReadFile['format'] }>
  | (Pick<ReadFile, 'format' | 'columns'> & {
      /** Filled while `people` runs. */
      ignored: ReadFile['ignored'];
      people: () => AsyncGenerator<ImportedPerson>;
    });

/** Runs `work` with the file opened; its thread ends with it. @throws AppError reading_failed for a file that takes too much of anything */
export async function withReading<T>(
  order: { path: string; columns: ImportColumn[] | null; thisYear: number; words: AccountWords },
  work: (reading: ApartReading) => Promise<T>,
): Promise<T> {
  const { size } = await stat(order.path).catch(() => ({ size: 0 }));
  const limit = MOST_MS + (size / 1_000_000) * MS_A_MEGABYTE;
  const thread = new Worker(file(), {
    workerData: { ...order, columns: order.columns?.length ? order.columns : null } satisfies FileOrder,
    resourceLimits: { maxOldGenerationSizeMb: MOST_HEAP_MB },
  });
  const answer = <A>(question?: FileQuestion): Promise<A> =>
    new Promise<A>((resolve, reject) => {
      const timer = setTimeout(() => fail(tooMuch('takes too long to read')), limit);
      const done = (): void => {
        clearTimeout(timer);
        thread.off('message', heard).off('error', failed).off('exit', ended);
      };
      const fail = (error: AppError): void => {
        done();
        reject(error);
      };
      const heard = (found: A): void => {
        done();
        resolve(found);
      };
      const failed = (error: Error & { code?: string }): void =>
        fail(tooMuch(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? 'holds more than can be read' : 'can’t be read', error));
      const ended = (): void => fail(tooMuch('can’t be read'));
      thread.on('message', heard).on('error', failed).on('exit', ended);
      if (question) thread.postMessage(question);
    });
  try {
    return await work(readingOf(await answer<FileHead>(), answer));
  } finally {
    await thread.terminate();
  }
}

const tooMuch = (what: string, cause?: unknown): AppError =>
  new AppError('reading_failed', `This file ${what}. Save it again as CSV and import that.`, {}, cause);

function readingOf(head: FileHead, answer: <A>(question?: FileQuestion) => Promise<A>): ApartReading {
  if ('refused' in head || 'empty' in head) return head;
  const reading = {
    ...head,
    ignored: { above: 0, blank: 0, below: 0 },
    people: async function* (): AsyncGenerator<ImportedPerson> {
      let part = await answer<FilePart>({ ask: 'begin', columns: reading.columns });
      for (;;) {
        /* The next part is read while this one is worked on. */
        const next = part.done ? null : answer<FilePart>({ ask: 'next' });
        next?.catch(() => undefined);
        yield* part.people;
        Object.assign(reading.format, part.format);
        Object.assign(reading.ignored, part.ignored);
        if (!next) return;
        part = await next;
      }
    },
  };
  return reading;
}
