/** Previews of files, read in a thread beside the command line: a file made to hang or to fill the memory ends the thread, and the next file has another. */
import { stat } from 'node:fs/promises';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { refused, type Preview } from '@/core/imports';

const MOST_HEAP_MB = 768;
const MOST_MS = 30_000;
const MS_A_MEGABYTE = 3_000;

/** The preview of each file, in their order; one that takes too much is told as one that cannot be read. */
export async function* previews(files: string[]): AsyncGenerator<Preview> {
  let thread: Worker | null = null;
  try {
    for (const file of files) {
      thread ??= new Worker(fileURLToPath(new URL('preview.js', import.meta.url)), {
        resourceLimits: { maxOldGenerationSizeMb: MOST_HEAP_MB },
      });
      const preview = await answerOf(thread, file);
      if (!preview) {
        await thread.terminate();
        thread = null;
      }
      yield preview ?? refused(basename(file), 'unreadable', 'This file takes too much time or memory to read.');
    }
  } finally {
    await thread?.terminate();
  }
}

/** What the thread says of a file; null when it took too long or failed. */
async function answerOf(thread: Worker, file: string): Promise<Preview | null> {
  const { size } = await stat(file);
  return new Promise((resolve) => {
    const end = (found: Preview | null): void => {
      clearTimeout(timer);
      thread.off('message', end).off('error', failed).off('exit', failed);
      resolve(found);
    };
    const failed = (): void => end(null);
    const timer = setTimeout(failed, MOST_MS + (size / 1_000_000) * MS_A_MEGABYTE);
    thread.on('message', end).on('error', failed).on('exit', failed);
    thread.postMessage(file);
  });
}
