/** Reading the audit, newest first. */
import { auditKeysWith, auditWords, type AuditView } from '@/core/accounts';
import { pageOf, readCursor, type Page } from '@/core/shared';
import { nameSql, reader } from '../shared';

/** What the data of a line may call the thing it is about. */
const NAMED = `coalesce(a.data->>'name', a.data->>'title', a.data->>'email', a.data->>'filename')`;

/** @param q words of who, what or whom; all of them must be there */
export async function listAudit(
  accountId: string,
  { limit, cursor, q }: { limit: number; cursor?: string | null; q?: string },
): Promise<Page<AuditView>> {
  const after = readCursor(cursor, 1);
  const bind: unknown[] = [accountId, limit + 1];
  if (after) bind.push(after[0]);
  const from = after ? 'and a.id < $3::bigint' : '';
  const asked = (q?.toLowerCase().split(/\s+/).filter(Boolean) ?? []).slice(0, 8).map((word) => {
    bind.push(word, auditKeysWith(word));
    const text = `lower(concat_ws(' ', ${nameSql('u')}, k.name, replace(replace(a.what, '_', ' '), '.', ' '), ${NAMED}))`;
    return `and (strpos(${text}, $${bind.length - 1}) > 0 or a.what = any($${bind.length}::text[]))`;
  });
  const rows = await reader().rows<{
    id: string;
    at: Date;
    by: string | null;
    key: string | null;
    what: string;
    about: string | null;
  }>(
    `select a.id, a.at, ${nameSql('u')} as by, k.name as key, a.what, ${NAMED} as about
     from audit a left join users u on u.id = a.user_id left join api_keys k on k.id = a.key_id
     where a.account_id = $1 ${from} ${asked.join(' ')} order by a.id desc limit $2`,
    bind,
  );
  const page = pageOf(rows, limit, (row) => [row.id]);
  return { items: page.items.map(({ what, ...row }) => ({ ...row, does: auditWords(what) })), next: page.next };
}
