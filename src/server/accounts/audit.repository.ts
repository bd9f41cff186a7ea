/** Reading the audit, newest first. */
import { auditWords, type AuditView } from '@/core/accounts';
import { pageOf, readCursor, type Page } from '@/core/shared';
import { nameSql, reader } from '../shared';

/** What the data of a line may call the thing it is about. */
const NAMED = `coalesce(a.data->>'name', a.data->>'title', a.data->>'email', a.data->>'filename')`;

export async function listAudit(accountId: string, limit: number, cursor?: string | null): Promise<Page<AuditView>> {
  const after = readCursor(cursor, 1);
  const bind: unknown[] = [accountId, limit + 1];
  if (after) bind.push(after[0]);
  const rows = await reader().rows<{ id: string; at: Date; by: string | null; what: string; about: string | null }>(
    `select a.id, a.at, ${nameSql('u')} as by, a.what, ${NAMED} as about from audit a left join users u on u.id = a.user_id
     where a.account_id = $1 ${after ? 'and a.id < $3::bigint' : ''} order by a.id desc limit $2`,
    bind,
  );
  const page = pageOf(rows, limit, (row) => [row.id]);
  return { items: page.items.map(({ what, ...row }) => ({ ...row, does: auditWords(what) })), next: page.next };
}
