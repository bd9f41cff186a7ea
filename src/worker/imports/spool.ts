/** The file of an import on this machine's disk while it is worked on: readers of workbooks jump about in it. Gone afterwards, also after a failure. */
import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { partsOf } from '@/server/imports';

export async function withFile<T>(importId: string, work: (path: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'urraca-import-'));
  try {
    const path = join(folder, 'file');
    await pipeline(Readable.from(partsOf(importId)), createWriteStream(path));
    return await work(path);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
