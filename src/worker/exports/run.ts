/** Writing an export: people flow from PostgreSQL through the format into parts of a megabyte; nothing is held but the part. */
import { PassThrough, type Writable } from 'node:stream';
import { finished } from 'node:stream/promises';
import ExcelJS from 'exceljs';
import type { OutgoingPerson } from '@/core/columns';
import { csvLine, outgoingCells, outgoingHeadings, vcardOf, type ExportFormat } from '@/core/exports';
import { inert, type ExportOptions } from '@/core/exports';
import { sheets } from './sheets';
import type { FieldDef } from '@/core/segments';
import { listFields } from '@/server/contacts';
import { beginExport, countOutgoing, endExport, saveExportPart, outgoingPeople, reportExport } from '@/server/exports';

const PART = 1_000_000;

interface Format {
  begin: () => void | Promise<void>;
  person: (person: OutgoingPerson) => void | Promise<void>;
  end: () => Promise<void>;
}

export async function performExport(exportId: string): Promise<void> {
  try {
    await write(exportId);
  } catch (error) {
    if (!(error instanceof Superseded)) throw error;
  }
}

async function write(exportId: string): Promise<void> {
  const row = await beginExport(exportId);
  if (!row) return;
  const fields = await listFields(row.account_id);
  const total = await countOutgoing(row.scope, row.selection);
  const out = new PassThrough({ highWaterMark: PART });
  const saving = keepAll(exportId, row.attempt, out);
  out.on('error', () => {});
  saving.catch((error: Error) => out.destroy(error));
  const format = FORMATS[row.format](out, fields, row.account_id, row.options);
  await format.begin();
  let done = 0;
  for await (const people of outgoingPeople(row.scope, row.selection)) {
    for (const person of people) await format.person(person);
    if (out.writableNeedDrain) await Promise.race([new Promise((resolve) => out.once('drain', resolve)), saving]);
    if (out.destroyed) break;
    await reportExport(exportId, (done += people.length), total);
  }
  if (!out.destroyed) await format.end();
  await endExport(exportId, await saving);
}

/** Another worker took the export over, because this one was silent for too long. */
class Superseded extends Error {}

async function keepAll(exportId: string, attempt: number, out: PassThrough): Promise<number> {
  let held: Buffer[] = [];
  let size = 0;
  let bytes = 0;
  let n = 0;
  const flush = async () => {
    if (!size) return;
    if (!(await saveExportPart(exportId, attempt, n, Buffer.concat(held)))) throw new Superseded();
    n += 1;
    held = [];
    size = 0;
  };
  for await (const piece of out) {
    held.push(piece as Buffer);
    size += (piece as Buffer).length;
    bytes += (piece as Buffer).length;
    if (size >= PART) await flush();
  }
  await flush();
  return bytes;
}

const ended = async (out: Writable): Promise<void> => {
  out.end();
  await finished(out, { readable: false });
};

const FORMATS: Record<ExportFormat, (out: PassThrough, fields: FieldDef[], brokerage: string, options: ExportOptions) => Format> =
  {
    csv: (out, fields) => ({
      begin: () => void out.write(`\ufeff${csvLine(outgoingHeadings(fields))}`),
      person: (person) => void out.write(csvLine(outgoingCells(person, fields))),
      end: () => ended(out),
    }),
    vcf: (out, _, brokerage) => ({
      begin: () => {},
      person: (person) => void out.write(vcardOf(person, brokerage)),
      end: () => ended(out),
    }),
    labels: (out, _, brokerage, options) => sheets('labels', out, options, brokerage),
    cards: (out, _, brokerage, options) => sheets('cards', out, options, brokerage),
    xlsx: (out, fields) => {
      const book = new ExcelJS.stream.xlsx.WorkbookWriter({ stream: out, useSharedStrings: false, useStyles: false });
      const sheet = book.addWorksheet('Contacts');
      return {
        begin: () => sheet.addRow(outgoingHeadings(fields)).commit(),
        person: (person) => sheet.addRow(outgoingCells(person, fields).map(inert)).commit(),
        end: async () => {
          sheet.commit();
          await book.commit();
        },
      };
    },
  };
