/** A zip archive on disk: what it holds, and one entry as a stream. Looks at the sizes first, so that a bomb is never unpacked. */
import { Writable, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { promisify } from 'node:util';
import yauzl from 'yauzl';

export type ZipKind = 'xlsx' | 'ods' | 'other' | 'bomb' | 'broken';
const MOST_UNPACKED = 4_000_000_000;
/** What spreadsheets pack to: beyond this many times, the archive was made to hurt. */
const MOST_RATIO = 400;
const MOST_ENTRIES = 2_000;

const open = promisify<string, yauzl.Options, yauzl.ZipFile>(yauzl.open);

async function entriesOf(path: string): Promise<{ zip: yauzl.ZipFile; entries: yauzl.Entry[] }> {
  const zip = await open(path, { lazyEntries: true, autoClose: false });
  const entries: yauzl.Entry[] = [];
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: yauzl.Entry) => {
      entries.push(entry);
      zip.readEntry();
    });
    zip.on('end', resolve);
    zip.on('error', reject);
    zip.readEntry();
  });
  return { zip, entries };
}

/** Whether a part unpacks to more than it says: yauzl ends its stream then. @throws for a part that is damaged */
async function unpacksToMore(path: string): Promise<boolean> {
  const { zip, entries } = await entriesOf(path);
  try {
    for (const entry of entries.filter(({ compressedSize }) => compressedSize > 0)) {
      const stream = await new Promise<Readable>((resolve, reject) =>
        zip.openReadStream(entry, (error, found) => (found ? resolve(found) : reject(error ?? new Error('unreadable entry')))),
      );
      await pipeline(stream, new Writable({ write: (_part, _encoding, done) => done() }));
    }
    return false;
  } catch (error) {
    if (error instanceof Error && /too many bytes/.test(error.message)) return true;
    throw error;
  } finally {
    zip.close();
  }
}

/** What kind of workbook an archive is, by what is in it. */
export async function zipKind(path: string): Promise<ZipKind> {
  try {
    const { zip, entries } = await entriesOf(path);
    zip.close();
    const size = entries.reduce((sum, entry) => sum + entry.uncompressedSize, 0);
    const packed = entries.reduce((sum, entry) => sum + entry.compressedSize, 0);
    if (size > MOST_UNPACKED || (size > 50_000_000 && size / Math.max(1, packed) > MOST_RATIO)) return 'bomb';
    const names = new Set(entries.map((entry) => entry.fileName));
    if (entries.length > MOST_ENTRIES || (await unpacksToMore(path))) return 'bomb';
    if (names.has('xl/workbook.xml')) return 'xlsx';
    return names.has('content.xml') && names.has('mimetype') ? 'ods' : 'other';
  } catch {
    return 'broken';
  }
}

/** One entry of an archive as a stream; the archive is closed when it ends. */
export async function entryStream(path: string, name: string): Promise<Readable> {
  const { zip, entries } = await entriesOf(path);
  const entry = entries.find((one) => one.fileName === name);
  if (!entry) throw new Error(`the archive has no ${name}`);
  const stream = await new Promise<Readable>((resolve, reject) =>
    zip.openReadStream(entry, (error, found) => (found ? resolve(found) : reject(error ?? new Error('unreadable entry')))),
  );
  stream.on('close', () => zip.close());
  return stream;
}
