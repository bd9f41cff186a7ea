/** Opening a contact file on disk: what it is by its content, and its rows or cards as a stream of bounded memory. */
import { createReadStream } from 'node:fs';
import { open as openHandle, stat } from 'node:fs/promises';
import {
  CardReader,
  CsvReader,
  decoded,
  decoderName,
  findDelimiter,
  layoutOf,
  sniff,
  type CsvRecord,
  type FileFormat,
  type TextEncoding,
} from '@/core/imports';
import { zipKind } from './archive';
import { odsSheets } from './ods';
import type { Sheet } from './sheet';
import { xlsxSheets } from './workbook';

const HEAD = 1_000_000;
/** Records looked at to find headings, columns and the orders of days. */
export const SAMPLE = 400;

type Cards = ReturnType<CardReader['feed']>;
export type OpenedFile =
  | { is: 'refused'; kind: string; sentence: string }
  | { is: 'empty'; format: FileFormat }
  | { is: 'table'; format: FileFormat; sample: CsvRecord[]; records: () => AsyncIterable<CsvRecord> }
  | { is: 'cards'; format: FileFormat; cards: () => AsyncIterable<Cards[number]> };

async function headOf(path: string): Promise<Uint8Array> {
  const file = await openHandle(path);
  try {
    const { bytesRead, buffer } = await file.read(Buffer.alloc(HEAD), 0, HEAD, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

/** What a file on disk is. A file that is refused, missing or broken says so in a sentence instead of failing. */
export async function openFile(path: string): Promise<OpenedFile> {
  const found = await stat(path).catch(() => null);
  if (!found?.isFile()) return { is: 'refused', kind: 'missing', sentence: 'File not found. Nothing was imported.' };
  const { size } = found;
  const head = await headOf(path);
  const sniffed = sniff(head, size <= HEAD);
  switch (sniffed.kind) {
    case 'empty':
      return { is: 'empty', format: { kind: 'csv' } };
    case 'other':
      return { is: 'refused', kind: 'other', sentence: `This is ${sniffed.looksLike}. Nothing was imported.` };
    case 'zip':
      return openZip(path);
    case 'vcf':
      return openCards(path, sniffed.encoding!);
    case 'csv':
      return openText(path, head, sniffed.encoding!);
  }
}

async function openZip(path: string): Promise<OpenedFile> {
  const kind = await zipKind(path);
  if (kind === 'bomb')
    return {
      is: 'refused',
      kind: 'zip',
      sentence: 'This file is too large when unpacked. Nothing was imported.',
    };
  if (kind === 'broken')
    return {
      is: 'refused',
      kind: 'zip',
      sentence: 'This file is damaged: it cannot be unpacked. Nothing was imported; save it again and try that.',
    };
  if (kind === 'other')
    return {
      is: 'refused',
      kind: 'zip',
      sentence: 'This is a compressed archive, not a workbook. Nothing was imported; unpack it and choose the file inside.',
    };
  const sheets = kind === 'xlsx' ? xlsxSheets : odsSheets;
  try {
    return await openWorkbook(path, kind, sheets);
  } catch (error) {
    return {
      is: 'refused',
      kind,
      sentence: `This workbook cannot be read (${error instanceof Error ? error.message.slice(0, 120) : 'unknown error'}). Nothing was imported; save it as CSV and try that.`,
    };
  }
}

async function openWorkbook(
  path: string,
  kind: 'xlsx' | 'ods',
  sheets: (path: string) => AsyncGenerator<Sheet>,
): Promise<OpenedFile> {
  let best: { name: string; sample: CsvRecord[]; score: number } | null = null;
  for await (const { name, rows } of sheets(path)) {
    const sample: CsvRecord[] = [];
    let more = 0;
    for await (const row of rows) {
      if (sample.length < SAMPLE) sample.push(row);
      else more += 1;
    }
    const { columns } = layoutOf(sample.map(({ cells }) => cells));
    const meant = columns.filter(({ target }) => !['custom', 'ignore'].includes(target)).length;
    const people = sample.filter(({ cells }) => cells.some((cell) => cell.trim())).length + more;
    const score = meant * 1_000 + Math.min(people, 900);
    if (people && (!best || score > best.score)) best = { name, sample, score };
  }
  const format: FileFormat = { kind, ...(best ? { sheet: best.name } : {}) };
  if (!best) return { is: 'empty', format };
  const chosen = best.name;
  return {
    is: 'table',
    format,
    sample: best.sample,
    records: async function* () {
      for await (const { name, rows } of sheets(path)) {
        for await (const row of rows) if (name === chosen) yield row;
        if (name === chosen) return;
      }
    },
  };
}

async function* textOf(path: string, encoding: TextEncoding): AsyncGenerator<string> {
  const decoder = new TextDecoder(decoderName(encoding));
  for await (const bytes of createReadStream(path, { highWaterMark: 256 * 1024 }))
    yield decoder.decode(bytes as Buffer, { stream: true });
  yield decoder.decode();
}

function openText(path: string, head: Uint8Array, encoding: TextEncoding): OpenedFile {
  const start = decoded(head, encoding);
  const delimiter = findDelimiter(start.slice(0, 200_000));
  const records = async function* (): AsyncGenerator<CsvRecord> {
    const reader = new CsvReader(delimiter);
    for await (const text of textOf(path, encoding)) yield* reader.feed(text);
    yield* reader.end();
  };
  const sampler = new CsvReader(delimiter);
  const sample = [...sampler.feed(start), ...(head.length < HEAD ? sampler.end() : [])].slice(0, SAMPLE);
  const says = sample[0]?.cells.length === 2 && /^sep=/i.test(sample[0].cells.join(delimiter));
  const format: FileFormat = { kind: 'csv', delimiter, encoding };
  const skip = says ? 1 : 0;
  if (!sample.slice(skip).some(({ cells }) => cells.some((cell) => cell.trim()))) return { is: 'empty', format: { kind: 'csv' } };
  return {
    is: 'table',
    format,
    sample: sample.slice(skip),
    records: async function* () {
      let at = 0;
      for await (const record of records()) if ((at += 1) > skip) yield record;
    },
  };
}

function openCards(path: string, encoding: TextEncoding): OpenedFile {
  return {
    is: 'cards',
    format: { kind: 'vcf', encoding },
    cards: async function* () {
      const reader = new CardReader();
      for await (const text of textOf(path, encoding)) yield* reader.feed(text);
      yield* reader.end();
    },
  };
}
