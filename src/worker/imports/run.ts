/** Taking a file in, chunk by chunk; and taking an import back. Killed anywhere, it goes on behind the last chunk that was committed. */
import type { ImportedPerson } from '@/core/imports';
import { endImport, importContext, readImport, takePeople, undoImportChunk } from '@/server/imports';
import { now, transact } from '@/server/shared';
import { openImport, peopleOf } from './read';
import { withFile } from './spool';

const CHUNK = 500;

/** @param going answers false when the process is to stop; the rest is left for the next */
export async function performImport(importId: string, going: () => boolean = () => true): Promise<void> {
  const found = await readImport(importId);
  if (!found || !['waiting', 'running'].includes(found.state)) return;
  await transact((tx) => tx.run(`update imports set state = 'running' where id = $1`, [importId]));
  const context = await importContext({ ...found, state: 'running' });
  const year = (await now()).getUTCFullYear();
  const whole = await withFile(importId, async (path) => {
    const reading = await openImport(path, found.columns, year, context.words);
    if ('refused' in reading || 'empty' in reading) return true;
    let chunk: ImportedPerson[] = [];
    for await (const person of peopleOf(reading)) {
      if (person.row <= found.read) continue;
      chunk.push(person);
      if (chunk.length < CHUNK) continue;
      if (!going() || !(await takePeople(context, chunk, person.row))) return going();
      chunk = [];
    }
    return chunk.length === 0 || (await takePeople(context, chunk, chunk.at(-1)!.row), true);
  });
  if (!whole) return;
  const after = await readImport(importId);
  await endImport(after!, after!.cancel && after!.read < after!.total ? 'cancelled' : 'done', await now());
}

export async function performImportUndo(importId: string, going: () => boolean = () => true): Promise<void> {
  while (going() && (await undoImportChunk(importId)));
}
