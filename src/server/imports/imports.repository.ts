/** Imports as rows: the file in parts, what was seen in it, how far it is. */
import { FIRST_OPTIONS, type ImportScan, type ImportOptions, type ImportState, type ImportView } from '@/core/imports';
import { notFound } from '@/core/shared';
import { accountOf, onlyOf, type Principal } from '@/core/accounts';
import { nameSql, reader, type Tx, type RowOf } from '../shared';
import type { importsTable } from './imports.model';

export type ImportRow = Pick<
  RowOf<typeof importsTable>,
  | 'id'
  | 'account_id'
  | 'user_id'
  | 'file_name'
  | 'bytes'
  | 'format'
  | 'columns'
  | 'options'
  | 'look'
  | 'sentence'
  | 'read'
  | 'total'
  | 'made'
  | 'changed'
  | 'same'
  | 'left_out'
  | 'doubtful'
  | 'undone'
  | 'undo_left_alone'
  | 'cancel'
  | 'error'
  | 'made_at'
  | 'ended_at'
> & {
  state: ImportState;
  by: string | null;
};
const SELECT = `select i.*, ${nameSql('u')} as by from imports i left join users u on u.id = i.user_id`;

export const optionsOf = (row: Pick<ImportRow, 'options'>): ImportOptions => ({ ...FIRST_OPTIONS, ...row.options });

export const importView = (row: ImportRow): ImportView => ({
  id: row.id,
  file_name: row.file_name,
  bytes: Number(row.bytes),
  state: row.state,
  format: row.format,
  columns: row.columns,
  options: optionsOf(row),
  look: 'rows' in row.look ? (row.look as ImportScan) : null,
  sentence: row.sentence,
  total: row.total,
  read: row.read,
  made: row.made,
  changed: row.changed,
  same: row.same,
  left_out: row.left_out,
  doubtful: row.doubtful,
  undone: row.undone,
  undo_left_alone: row.undo_left_alone,
  error: row.error,
  by: row.by,
  made_at: row.made_at,
  ended_at: row.ended_at,
});

export async function listImports(principal: Principal, limit: number): Promise<Omit<ImportView, 'look' | 'columns'>[]> {
  const rows = await reader().rows<ImportRow>(
    `${SELECT} where i.account_id = $1 and ($2::bigint is null or i.user_id = $2) order by i.id desc limit $3`,
    [accountOf(principal), onlyOf(principal), limit],
  );
  return rows.map((row) => ({ ...importView(row), look: undefined, columns: undefined }));
}

/** @throws AppError not_found, also for somebody else's */
export async function findImportRow(principal: Principal, id: string, tx: Tx = reader(), lock = false): Promise<ImportRow> {
  const row = await tx.first<ImportRow>(
    `${SELECT} where i.id = $1 and i.account_id = $2 and ($3::bigint is null or i.user_id = $3)${lock ? ' for update of i' : ''}`,
    [id, accountOf(principal), onlyOf(principal)],
  );
  if (!row) throw notFound('import');
  return row;
}
export const findImport = async (principal: Principal, id: string): Promise<ImportView> =>
  importView(await findImportRow(principal, id));

/** For the worker. */
export const readImport = (id: string, tx: Tx = reader(), lock = false): Promise<ImportRow | null> =>
  tx.first<ImportRow>(`${SELECT} where i.id = $1${lock ? ' for update of i' : ''}`, [id]);

/** The parts of a file, one after another. */
export async function* partsOf(id: string): AsyncGenerator<Buffer> {
  for (let n = 0; ; n += 1) {
    const part = await reader().first<{ bytes: Buffer }>('select bytes from import_parts where import_id = $1 and n = $2', [
      id,
      n,
    ]);
    if (!part) return;
    yield part.bytes;
  }
}

export interface LeftRow {
  row: number;
  why: string | null;
  raw: string[] | null;
}
/** The rows that were not taken, in the order of the file. */
export const listLeft = (id: string, after: number, limit: number): Promise<LeftRow[]> =>
  reader().rows<LeftRow>(
    `select row, why, raw from import_rows where import_id = $1 and outcome = 'left' and part = 0 and row > $2 order by row limit $3`,
    [id, after, limit],
  );
