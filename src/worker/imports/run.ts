/** Taking a file in, chunk by chunk; and taking an import back. Killed anywhere, it goes on behind the last chunk that was committed. */
import type { ImportedPerson } from '@/core/imports';
import { endImport, importContext, readImport, importChunk, undoImportChunk } from '@/server/imports';
import { now, transact } from '@/server/shared';
import { withReading } from './isolated-reading';
import { withFile } from './spool';

/** People, and signs of their rows, that one transaction takes in: two chunks are in memory at a time, whatever the file holds. */
const CHUNK = 2_000;
const SIGNS = 4_000_000;
const signsOf = ({ raw, notes }: ImportedPerson): number =>
  raw?.reduce((sum, cell) => sum + cell.length, 0) ?? notes?.length ?? 0;

/** @param going answers false when the process is to stop; the rest is left for the next */
export async function performImport(importId: string, going: () => boolean = () => true): Promise<void> {
  const found = await readImport(importId);
  if (!found || !['waiting', 'running'].includes(found.state)) return;
  await transact((tx) => tx.run(`update imports set state = 'running' where id = $1`, [importId]));
  const context = await importContext({ ...found, state: 'running' });
  const year = (await now()).getUTCFullYear();
  const whole = await withFile(importId, async (path) => {
    return withReading({ path, columns: found.columns, thisYear: year, words: context.words }, async (reading) => {
      if ('refused' in reading || 'empty' in reading) return true;
      for await (const chunk of ahead(chunksOf(reading.people(), found.read)))
        if (!going() || !(await importChunk(context, chunk, chunk.at(-1)!.row))) return going();
      return true;
    });
  });
  if (!whole) return;
  const after = await readImport(importId);
  await endImport(after!, after!.cancel && after!.read < after!.total ? 'cancelled' : 'done', await now());
}

/** The people behind row `read`, in chunks. */
async function* chunksOf(people: AsyncIterable<ImportedPerson>, read: number): AsyncGenerator<ImportedPerson[]> {
  let chunk: ImportedPerson[] = [];
  let signs = 0;
  for await (const person of people) {
    if (person.row <= read) continue;
    chunk.push(person);
    signs += signsOf(person);
    if (chunk.length < CHUNK && signs < SIGNS) continue;
    yield chunk;
    chunk = [];
    signs = 0;
  }
  if (chunk.length) yield chunk;
}

/** The same items, each read while the one before is still worked on: the file is parsed while PostgreSQL writes. */
async function* ahead<T>(items: AsyncGenerator<T>): AsyncGenerator<T> {
  const next = () => {
    const coming = items.next();
    coming.catch(() => {});
    return coming;
  };
  let coming = next();
  try {
    for (;;) {
      const step = await coming;
      if (step.done) return;
      coming = next();
      yield step.value;
    }
  } finally {
    await items.return(undefined);
  }
}

export async function performImportUndo(importId: string, going: () => boolean = () => true): Promise<void> {
  while (going() && (await undoImportChunk(importId)));
}
