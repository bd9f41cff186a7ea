/** What it takes to send a finished file to whoever asked for it. */
import type { ExportFormat } from '@/core/exports';
import { nameSql, now, reader } from '../shared';

export interface Mailing {
  accountId: string;
  format: ExportFormat;
  bytes: number;
  done: number;
  /** The name of the schedule that it came by. */
  name: string | null;
  person: { name: string; email: string };
  at: Date;
}

/** Null when there is nothing to send (any more), or nobody to send it to. */
export async function readMailing(exportId: string): Promise<Mailing | null> {
  const row = await reader().first<{
    format: ExportFormat;
    bytes: string;
    done: number;
    name: string | null;
    person: Mailing['person'];
    account_id: string;
  }>(
    `select e.account_id, e.format, e.bytes, e.done, s.name, jsonb_build_object('name', ${nameSql('u')}, 'email', u.email) as person
     from exports e join users u on u.id = e.user_id and u.active left join export_schedules s on s.id = e.schedule_id
     where e.id = $1 and e.state = 'done' and e.email and e.mailed_at is null`,
    [exportId],
  );
  if (!row) return null;
  const { account_id: accountId, ...rest } = row;
  return { ...rest, accountId, bytes: Number(row.bytes), at: await now() };
}

/** The whole file; only for one that fits into a mail. */
export async function readFile(exportId: string): Promise<Buffer> {
  const parts = await reader().rows<{ bytes: Buffer }>('select bytes from export_parts where export_id = $1 order by n', [
    exportId,
  ]);
  return Buffer.concat(parts.map(({ bytes }) => bytes));
}

/** @param error why it could not be sent, so far or for good; null when it was */
export const saveMailed = async (exportId: string, error: string | null): Promise<void> =>
  reader().run(
    'update exports set mailed_at = case when $2::text is null then $3::timestamptz end, mail_error = $2 where id = $1',
    [exportId, error?.slice(0, 300) ?? null, await now()],
  );
