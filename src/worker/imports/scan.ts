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
import { withReading, type ApartReading } from './isolated-reading';
import { withFile } from './spool';

const SHOWN = 50;
const DOUBTS_KEPT = 500;
const BATCH = 1_000;
/** Likeness within the file is looked for among so many; in a larger file the import itself finds the rest. */
const COMPARED = 50_000;
const SAMPLES = 3;
/** Rows that are named one by one. */
const MOST_NAMED = 5;

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
  const { look: scan, samples } = seen;
  const columns: ImportColumn[] = reading.columns.map((column, at) => ({ ...column, sample: samples[at] ?? [] }));
  await saveImportScan(
    row,
    reading.format,
    columns,
    scan,
    scan.rows ? null : 'The file has headings but no rows. Nothing was imported.',
  );
}

/** Headings that a person corrected before mean the same again. */
type Table = Exclude<ApartReading, { refused: string } | { empty: unknown }>;

async function remember(row: ImportRow, reading: Table): Promise<void> {
  const known = await rememberedColumns(row.account_id, headingPrint(reading.columns));
  if (known?.length === reading.columns.length) reading.columns.forEach((column, at) => Object.assign(column, known[at]));
}

function addDoubt(scan: ImportScan, doubt: ImportScan['doubtful'][number]): void {
  scan.doubtful_count += 1;
  if (scan.doubtful.length < DOUBTS_KEPT) scan.doubtful.push(doubt);
}

/** Counts a person, and keeps the first few for show. @param samples of each column, as it stands in the file */
function seePerson(scan: ImportScan, samples: string[][], person: ImportedPerson): void {
  if (scan.people.length < SHOWN) scan.people.push(ownCopy(previewContact(person)));
  person.raw?.forEach((cell, at) => {
    const value = cell.replaceAll('\u0000', '').trim().slice(0, 80);
    if (value && (samples[at] ??= []).length < SAMPLES && !samples[at].includes(value)) samples[at].push(ownCopy(value));
  });
  const [doubt] = person.doubts;
  if (doubt)
    addDoubt(scan, {
      row: person.row,
      reason: doubt.reason,
      why: ownCopy(person.doubts.map(({ why }) => why).join('; ')),
    });
  if (person.partner) scan.partners += 1;
  if (Object.keys(person.permissions).length) scan.permissions += 1;
}

/** @returns null when it was cancelled meanwhile */
async function lookThrough(row: ImportRow, reading: Table): Promise<{ look: ImportScan; samples: string[][] } | null> {
  const scan: ImportScan = {
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
    scan.known += batch.filter((person) => [...person.emails, ...person.phones].some((address) => known.has(address))).length;
    batch = [];
    return reportImportScan(row.id, scan.rows);
  };
  for await (const person of reading.people()) {
    scan.rows += 1;
    seePerson(scan, samples, person);
    if (scan.rows <= COMPARED) finder.see(person);
    batch.push({ emails: person.emails, phones: person.phones });
    if (batch.length >= BATCH && !(await count())) return null;
  }
  if (!(await count())) return null;
  const { duplicates, shared } = finder.result();
  for (const { address, rows } of shared.filter((one) => one.address.includes('@')))
    for (const row of rows.slice(1)) {
      const others = rows.filter((other) => other !== row);
      const named = others.length > MOST_NAMED ? `${others.length} other rows` : `row ${others.join(', ')}`;
      if (!scan.doubtful.some((doubt) => doubt.row === row))
        addDoubt(scan, { row, reason: 'shared-email', why: `${address} is also in ${named}, with another name` });
    }
  scan.sharing = new Set(shared.flatMap(({ rows }) => rows)).size;
  scan.doubtful.sort((one, other) => one.row - other.row);
  scan.twice = duplicates.reduce((sum, { rows }) => sum + rows.length - 1, 0);
  scan.accepted = scan.rows - scan.doubtful_count;
  return { look: scan, samples };
}
