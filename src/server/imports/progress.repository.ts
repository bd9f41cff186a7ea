/** The worker's notes on an import: what it saw, that it cannot go on, that it is done. */
import { importsTable } from './imports.model';
import type { FileFormat, ImportColumn, ImportScan, ImportState } from '@/core/imports';
import { now, publish, reader, transact, type Tx } from '../shared';
import type { ImportRow } from './imports.repository';

const tellAll = (tx: Tx, row: Pick<ImportRow, 'account_id' | 'user_id'>): Promise<void> =>
  publish(tx, { accountId: row.account_id, topic: 'change', ownerId: row.user_id });

/** What was seen in the file; it waits for a person now. */
export async function saveImportScan(
  row: ImportRow,
  format: FileFormat,
  columns: ImportColumn[],
  scan: ImportScan,
  sentence: string | null,
): Promise<void> {
  await transact(async (tx) => {
    await tx.run(
      `update imports set state = case when cancel then 'cancelled' else $6 end, format = $2::jsonb, columns = $3::jsonb, look = $4::jsonb, sentence = $5, total = $7 where id = $1 and state = 'looking'`,
      [
        row.id,
        JSON.stringify(format),
        JSON.stringify(columns),
        JSON.stringify(scan),
        sentence,
        scan.rows ? 'ready' : 'refused',
        scan.rows,
      ],
    );
    await tellAll(tx, row);
  });
}

/** The file is not one that can be read. */
export async function refuseImport(row: ImportRow, format: FileFormat, sentence: string): Promise<void> {
  await transact(async (tx) => {
    await importsTable.update({ state: 'refused', format, sentence }, { id: row.id }, tx);
    await tx.run('delete from import_parts where import_id = $1', [row.id]);
    await tellAll(tx, row);
  });
}

/** While the file is looked through: how many rows so far. @returns false when it was cancelled meanwhile */
export const reportImportScan = async (id: string, rows: number): Promise<boolean> =>
  (await reader().first(`update imports set total = $2 where id = $1 and state = 'looking' and not cancel returning id`, [
    id,
    rows,
  ])) !== null;

export async function endImport(row: ImportRow, state: ImportState, at: Date): Promise<void> {
  await transact(async (tx) => {
    await importsTable.update({ state, ended_at: at }, { id: row.id }, tx);
    await tellAll(tx, row);
  });
}

export const failImport = async (id: string, error: string): Promise<void> =>
  reader().run(
    `update imports set state = case when state = 'looking' then 'refused' else 'failed' end, sentence = coalesce(sentence, $2), error = $2, ended_at = coalesce(ended_at, $3) where id = $1 and state in ('looking','waiting','running','undoing')`,
    [id, error.slice(0, 500), await now()],
  );

/** The meanings that a person once gave these headings; null when nobody did. */
export const rememberedColumns = async (
  accountId: string,
  headings: string,
): Promise<Pick<ImportColumn, 'target' | 'order' | 'place'>[] | null> =>
  (
    await reader().first<{ columns: Pick<ImportColumn, 'target' | 'order' | 'place'>[] }>(
      'select columns from heading_memory where account_id = $1 and headings = $2',
      [accountId, headings],
    )
  )?.columns ?? null;

/** Of these addresses, those that a contact has. */
export async function knownAddresses(accountId: string, emails: string[], phones: string[]): Promise<Set<string>> {
  const rows = await reader().rows<{ value: string }>(
    `select value from contact_points where account_id = $1 and active and ((kind = 'email' and value = any($2::text[])) or (kind = 'phone' and value = any($3::text[])))`,
    [accountId, emails, phones],
  );
  return new Set(rows.map(({ value }) => value));
}
