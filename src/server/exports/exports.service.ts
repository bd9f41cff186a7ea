/** Asking for an export, its parts as the worker writes them, and the file for whoever asked. Each is in the audit. */
import { exportsTable } from './exports.model';
import { AppError, DAY, notFound } from '@/core/shared';
import { accountOf, fullName, onlyOf, scopeFor, wholeAccount, type Principal, type Scope } from '@/core/accounts';
import type { ExportFormat, ExportOptions, ExportView } from '@/core/exports';
import { findUser } from '../accounts';
import type { Selection } from '../changes';
import { nameSql, enqueue, now, reader, writeAudit, transact, type Tx } from '../shared';

export interface ExportRow extends Omit<ExportView, 'bytes'> {
  attempt: number;
  account_id: string;
  user_id: string | null;
  selection: Selection;
  options: ExportOptions;
  bytes: string;
}
const KEPT_MS = 7 * DAY;
const SELECT = `select e.*, ${nameSql('u')} as by from exports e left join users u on u.id = e.user_id`;
const viewOf = (row: ExportRow): ExportView => {
  const { id, format, state, total, done, bytes, error, by, made_at, ended_at, email, mailed_at, mail_error } = row;
  return {
    id,
    format,
    state,
    total,
    done,
    bytes: Number(bytes),
    error,
    by,
    made_at,
    ended_at,
    email,
    mailed_at,
    mail_error,
  };
};

/** Orders a file. @throws AppError input_invalid when it should be sent and nobody asked by name */
export async function createExport(
  principal: Principal,
  format: ExportFormat,
  selection: Selection,
  options: ExportOptions = {},
  email = false,
): Promise<ExportView> {
  if (email && principal.kind !== 'user')
    throw new AppError('input_invalid', 'Only people can have files emailed. API keys can download them.', {
      fields: [{ field: 'email', message: 'is for logged-in users' }],
    });
  return transact((tx) => addExport(tx, principal, format, selection, options, { email }));
}

/** The same in a transaction that does more. Files of more than a week ago go. */
export async function addExport(
  tx: Tx,
  principal: Principal,
  format: ExportFormat,
  selection: Selection,
  options: ExportOptions,
  how: { email: boolean; scheduleId?: string },
): Promise<ExportView> {
  const { accountId, userId } = scopeFor(principal);
  const at = await now(tx);
  await tx.run(`delete from exports where account_id = $1 and made_at < $2`, [accountId, new Date(at.getTime() - KEPT_MS)]);
  const row = await exportsTable.insert(
    {
      account_id: accountId,
      user_id: userId,
      format,
      selection,
      options,
      made_at: at,
      email: how.email,
      schedule_id: how.scheduleId ?? null,
    },
    tx,
  );
  await writeAudit(tx, principal, accountId, 'contacts.export', { exportId: row.id, format, selection, ...how }, at);
  await enqueue(tx, 'exports.run', { exportId: row.id });
  return viewOf({ ...(row as Omit<ExportRow, 'by'>), by: principal.kind === 'user' ? fullName(principal.user) : null });
}

export async function listExports(principal: Principal, limit: number): Promise<ExportView[]> {
  return (
    await reader().rows<ExportRow>(
      `${SELECT} where e.account_id = $1 and ($2::bigint is null or e.user_id = $2) order by e.id desc limit $3`,
      [accountOf(principal), onlyOf(principal), limit],
    )
  ).map(viewOf);
}

export async function findExport(principal: Principal, id: string): Promise<ExportView> {
  const row = await reader().first<ExportRow>(
    `${SELECT} where e.id = $1 and e.account_id = $2 and ($3::bigint is null or e.user_id = $3)`,
    [id, accountOf(principal), onlyOf(principal)],
  );
  if (!row) throw notFound('export');
  return viewOf(row);
}

/** The file, as a stream of its parts. @throws AppError conflict while it is being written */
export async function exportFile(
  principal: Principal,
  id: string,
): Promise<{ format: ExportFormat; body: ReadableStream<Uint8Array> }> {
  const found = await findExport(principal, id);
  if (found.state !== 'done') throw new AppError('conflict', 'The file is not ready yet.', { retry: true });
  let n = 0;
  const body = new ReadableStream<Uint8Array>({
    pull: async (controller) => {
      const part = await reader().first<{ bytes: Buffer }>('select bytes from export_parts where export_id = $1 and n = $2', [
        id,
        n,
      ]);
      n += 1;
      if (part) controller.enqueue(new Uint8Array(part.bytes));
      else controller.close();
    },
  });
  return { format: found.format, body };
}

/** For the worker: begins, or begins anew after a crash. */
export async function beginExport(id: string): Promise<(ExportRow & { scope: Scope }) | null> {
  const row = await reader().first<ExportRow>(
    `update exports set state = 'running', done = 0, bytes = 0, attempt = attempt + 1 where id = $1 and state in ('waiting','running') returning *, null as by`,
    [id],
  );
  if (!row) return null;
  await reader().run('delete from export_parts where export_id = $1', [id]);
  const user = row.user_id ? await findUser(row.user_id) : null;
  if (row.user_id && !user) throw new AppError('not_allowed', 'The person who requested this is no longer here.');
  return { ...row, scope: user ? scopeFor({ kind: 'user', user }) : wholeAccount(row.account_id) };
}
/** Keeps a part of the file. @returns false when another worker has begun the export anew meanwhile, so that this one must stop */
export async function saveExportPart(id: string, attempt: number, n: number, bytes: Buffer): Promise<boolean> {
  const saved = await reader().first(
    'insert into export_parts (export_id, n, bytes) select id, $3, $4 from exports where id = $1 and attempt = $2 on conflict do nothing returning n',
    [id, attempt, n, bytes],
  );
  return saved !== null;
}
export const reportExport = (id: string, done: number, total: number): Promise<void> =>
  reader().run('update exports set done = $2, total = $3 where id = $1', [id, done, total]);
export const endExport = (id: string, bytes: number): Promise<void> =>
  transact(async (tx) => {
    const row = await tx.first<{ email: boolean }>(
      `update exports set state = 'done', bytes = $2, ended_at = $3 where id = $1 returning email`,
      [id, bytes, await now(tx)],
    );
    if (row?.email) await enqueue(tx, 'exports.mail', { exportId: id });
  });

export const failExport = (id: string, error: string): Promise<void> =>
  reader().run(`update exports set state = 'failed', error = $2 where id = $1 and state <> 'done'`, [id, error.slice(0, 500)]);
