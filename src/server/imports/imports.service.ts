/** Asking for an import: the file comes in by parts, is looked at, corrected by hand, started, stopped, taken back. The work is the worker's. */
import { importsTable } from './imports.model';
import { AppError } from '@/core/shared';
import { may, runsTheOffice, scopeFor, type Principal } from '@/core/accounts';
import { headingPrint, type ImportColumn, type ImportOptions, type ImportView } from '@/core/imports';
import { requireTags } from '../contacts';
import { enqueue, now, writeAudit, transact, reader, type Tx } from '../shared';
import { findImport, findImportRow, importView, type ImportRow } from './imports.repository';

const PART = 1_000_000;
const MOST_BYTES = 4_000_000_000;

const lineOf = (text: string): string =>
  text
    .replace(/[\u0000-\u001f\u007f/\\]/g, ' ')
    .trim()
    .slice(-200) || 'file';

/** Takes a file in, part by part, never holding more than one. When the upload breaks off, nothing of it stays. */
export async function createImport(
  principal: Principal,
  fileName: string,
  body: ReadableStream<Uint8Array> | null,
): Promise<ImportView> {
  const { accountId, userId } = scopeFor(principal);
  const at = await now();
  const { id } = await importsTable.insert({ account_id: accountId, user_id: userId, file_name: lineOf(fileName), made_at: at });
  try {
    const bytes = await store(id, body);
    await transact(async (tx) => {
      await importsTable.update({ state: 'looking', bytes: String(bytes) }, { id }, tx);
      await writeAudit(tx, principal, accountId, 'import.upload', { importId: id, fileName, bytes }, at);
      await enqueue(tx, 'imports.look', { importId: id }, lineFor(bytes));
    });
  } catch (error) {
    await importsTable.remove({ id });
    throw error;
  }
  return findImport(principal, id);
}

/** Large files wait for each other, so that the worker has one in memory at a time; small ones never wait for them. */
const LARGE = 50_000_000;
const lineFor = (bytes: string | number | null): { inTurn?: string } => (Number(bytes) > LARGE ? { inTurn: 'large files' } : {});

async function store(id: string, body: ReadableStream<Uint8Array> | null): Promise<number> {
  let held = Buffer.alloc(0);
  let n = 0;
  let bytes = 0;
  const write = async (part: Buffer) => {
    await reader().run('insert into import_parts (import_id, n, bytes) values ($1, $2, $3)', [id, n, part]);
    n += 1;
  };
  const stream = body?.getReader();
  for (let piece = await stream?.read(); piece && !piece.done; piece = await stream!.read()) {
    bytes += piece.value.length;
    if (bytes > MOST_BYTES) throw new AppError('body_too_large', 'The file is larger than 4 GB. Split it and try again.');
    held = Buffer.concat([held, piece.value]);
    while (held.length >= PART) {
      await write(held.subarray(0, PART));
      held = held.subarray(PART);
    }
  }
  if (held.length) await write(held);
  return bytes;
}

export interface ImportPatch {
  columns?: Pick<ImportColumn, 'target' | 'order' | 'place'>[];
  options?: Partial<ImportOptions>;
}

/** Corrects the meaning of columns, or chooses what happens. Corrected headings are remembered for the next file of the same make. */
export async function updateImport(principal: Principal, id: string, patch: ImportPatch): Promise<ImportView> {
  return transact(async (tx) => {
    const row = await findImportRow(principal, id, tx, true);
    if (row.state !== 'ready') throw new AppError('conflict', 'This import can’t be changed anymore.');
    const options = { ...row.options, ...patch.options };
    await checkOptions(tx, principal, row, options);
    let state: ImportRow['state'] = 'ready';
    let columns = row.columns;
    if (patch.columns) {
      if (patch.columns.some(({ place }) => place === 'new') && !may(principal, 'setup:write'))
        throw new AppError('not_allowed', 'Only an owner or admin can add a field. Choose an existing field or a note.');
      if (patch.columns.length !== columns.length)
        throw new AppError('input_invalid', 'There must be one entry per column.', {
          fields: [{ field: 'columns', message: `needs ${columns.length} entries` }],
        });
      columns = columns.map((column, at) => ({ ...column, ...patch.columns![at] }));
      state = 'looking';
      await tx.run(
        'insert into heading_memory (account_id, headings, columns) values ($1, $2, $3::jsonb) on conflict (account_id, headings) do update set columns = excluded.columns',
        [
          row.account_id,
          headingPrint(columns),
          JSON.stringify(columns.map(({ target, order, place }) => ({ target, order, place }))),
        ],
      );
      await enqueue(tx, 'imports.look', { importId: id }, lineFor(row.bytes));
    }
    await importsTable.update({ options, columns, state }, { id }, tx);
    return importView({ ...row, options, columns, state });
  });
}

async function checkOptions(tx: Tx, principal: Principal, row: ImportRow, options: Partial<ImportOptions>): Promise<void> {
  const wrong = (field: string, message: string) =>
    new AppError('input_invalid', 'Couldn’t save.', { fields: [{ field: `options.${field}`, message }] });
  if (
    options.owner_id &&
    principal.kind === 'user' &&
    !runsTheOffice(principal.user.role) &&
    options.owner_id !== principal.user.id
  )
    throw new AppError('not_allowed', 'Only an admin can assign contacts to another agent.');
  if (
    options.owner_id &&
    !(await tx.first(`select 1 from users where id = $1 and account_id = $2 and active and role <> 'lender'`, [
      options.owner_id,
      row.account_id,
    ]))
  )
    throw wrong('owner_id', 'is not someone here');
  if (
    options.stage &&
    !(await tx.first('select 1 from stages where account_id = $1 and key = $2 and deleted_at is null', [
      row.account_id,
      options.stage,
    ]))
  )
    throw wrong('stage', 'is not a stage here');
  await requireTags(tx, principal, options.tags ?? []);
}

/** Starts an import that was looked at. */
export const startImport = (principal: Principal, id: string): Promise<ImportView> =>
  move(principal, id, ['ready'], 'waiting', 'imports.run', 'There’s nothing to start.');
/** Takes the whole import back, except people whom somebody worked with since. */
export const undoImport = (principal: Principal, id: string): Promise<ImportView> =>
  move(
    principal,
    id,
    ['done', 'cancelled', 'failed'],
    'undoing',
    'imports.undo',
    'This import is still running. Cancel it first.',
  );

async function move(
  principal: Principal,
  id: string,
  from: ImportRow['state'][],
  to: ImportRow['state'],
  job: 'imports.run' | 'imports.undo',
  error: string,
): Promise<ImportView> {
  return transact(async (tx) => {
    const row = await findImportRow(principal, id, tx, true);
    if (row.state === to) return importView(row);
    if (!from.includes(row.state)) throw new AppError('conflict', error);
    await importsTable.update({ state: to }, { id }, tx);
    await enqueue(tx, job, { importId: id }, lineFor(row.bytes));
    return importView({ ...row, state: to });
  });
}

/** Stops an import: what is in stays in and can be taken back. One that has not begun is thrown away. */
export async function cancelImport(principal: Principal, id: string): Promise<ImportView> {
  return transact(async (tx) => {
    const row = await findImportRow(principal, id, tx, true);
    const begun = row.state === 'running' || row.state === 'waiting';
    if (!begun && !['ready', 'looking', 'refused'].includes(row.state))
      throw new AppError('conflict', 'This import isn’t running.');
    await tx.run(
      `update imports set cancel = true, state = case when $2 then state else 'cancelled' end, ended_at = case when $2 then ended_at else $3 end where id = $1`,
      [id, begun, await now(tx)],
    );
    return importView({ ...row, cancel: true, state: begun ? row.state : 'cancelled' });
  });
}
