/** Looking through a file before anything is taken in: what it is, what its columns mean, the first people as they will be, every doubt, who is here already. */
import {
  headingPrint,
  LikenessFinder,
  previewContact,
  type ImportColumn,
  type ImportedPerson,
  type ImportScan,
} from '@/core/imports';
import {
  importWords,
  knownAddresses,
  readImport,
  refuseImport,
  rememberedColumns,
  reportImportScan,
  saveImportScan,
  type ImportRow,
} from '@/server/imports';
import { ownCopy } from '@/core/shared';
import { now } from '@/server/shared';
import { withReading, type ApartReading } from './apart';
import { withFile } from './spool';

const SHOWN = 50;
const DOUBTS_KEPT = 500;
const BATCH = 1_000;
/** Likeness within the file is looked for among so many; in a larger file the import itself finds the rest. */
const COMPARED = 50_000;
const SAMPLES = 3;

export async function scanImport(importId: string): Promise<void> {
  const row = await readImport(importId);
  if (!row || row.state !== 'looking') return;
  const year = (await now()).getUTCFullYear();
  await withFile(importId, async (path) => {
    const corrected = row.columns.length ? row.columns : null;
    const words = await importWords(row.account_id);
    await withReading({ path, columns: corrected, thisYear: year, words }, async (reading) => lookAt(row, corrected, reading));
  });
}

async function lookAt(row: ImportRow, corrected: ImportColumn[] | null, reading: ApartReading): Promise<void> {
  if ('refused' in reading) return refuseImport(row, { kind: reading.kind }, reading.refused);
  if ('empty' in reading) return refuseImport(row, reading.empty, 'The file is empty. Nothing was imported.');
  if (!corrected && reading.columns.length) await remember(row, reading);
  const seen = await lookThrough(row, reading);
  if (!seen) return;
  const { look, samples } = seen;
  const columns: ImportColumn[] = reading.columns.map((column, at) => ({ ...column, sample: samples[at] ?? [] }));
  await saveImportScan(
    row,
    reading.format,
    columns,
    look,
    look.rows ? null : 'There are headings and no people below them. Nothing was imported.',
  );
}

/** Headings that a person corrected before mean the same again. */
type Table = Exclude<ApartReading, { refused: string } | { empty: unknown }>;

async function remember(row: ImportRow, reading: Table): Promise<void> {
  const known = await rememberedColumns(row.account_id, headingPrint(reading.columns));
  if (known?.length === reading.columns.length) reading.columns.forEach((column, at) => Object.assign(column, known[at]));
}

/** @returns null when it was cancelled meanwhile */
async function lookThrough(row: ImportRow, reading: Table): Promise<{ look: ImportScan; samples: string[][] } | null> {
  const look: ImportScan = {
    rows: 0,
    accepted: 0,
    doubtful: [],
    doubtful_count: 0,
    known: 0,
    twice: 0,
    partners: 0,
    permissions: 0,
    people: [],
    ignored: reading.ignored,
  };
  const samples: string[][] = [];
  const finder = new LikenessFinder();
  let batch: Pick<ImportedPerson, 'emails' | 'phones'>[] = [];
  const count = async () => {
    const known = await knownAddresses(
      row.account_id,
      batch.flatMap(({ emails }) => emails),
      batch.flatMap(({ phones }) => phones),
    );
    look.known += batch.filter((person) => [...person.emails, ...person.phones].some((address) => known.has(address))).length;
    batch = [];
    return reportImportScan(row.id, look.rows);
  };
  for await (const person of reading.people()) {
    look.rows += 1;
    if (look.people.length < SHOWN) look.people.push(ownCopy(previewContact(person)));
    person.raw?.forEach((cell, at) => {
      const value = cell.replaceAll('\u0000', '').trim().slice(0, 80);
      if (value && (samples[at] ??= []).length < SAMPLES && !samples[at].includes(value)) samples[at].push(ownCopy(value));
    });
    if (person.doubts.length) {
      look.doubtful_count += 1;
      if (look.doubtful.length < DOUBTS_KEPT)
        look.doubtful.push({
          row: person.row,
          reason: person.doubts[0]!.reason,
          why: ownCopy(person.doubts.map(({ why }) => why).join('; ')),
        });
    }
    if (person.partner) look.partners += 1;
    if (Object.keys(person.permissions).length) look.permissions += 1;
    if (look.rows <= COMPARED) finder.see(person);
    batch.push({ emails: person.emails, phones: person.phones });
    if (batch.length >= BATCH && !(await count())) return null;
  }
  if (!(await count())) return null;
  const { duplicates, shared } = finder.result();
  for (const { email, rows } of shared)
    for (const at of rows.slice(1))
      if (!look.doubtful.some((doubt) => doubt.row === at)) {
        look.doubtful_count += 1;
        if (look.doubtful.length < DOUBTS_KEPT)
          look.doubtful.push({
            row: at,
            reason: 'shared-email',
            why: `${email} also stands in row ${rows.filter((other) => other !== at).join(', ')}`,
          });
      }
  look.doubtful.sort((a, b) => a.row - b.row);
  look.twice = duplicates.reduce((sum, { rows }) => sum + rows.length - 1, 0);
  look.accepted = look.rows - look.doubtful_count;
  return { look, samples };
}
