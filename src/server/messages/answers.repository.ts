/** The inbox: what people wrote to us, by person, the unread first to find; read when somebody of ours says so, or answers. */
import { pageOf, readCursor, type Page } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { suggestNext, type AnswerView } from '@/core/messages';
import { lockContact, visible } from '../contacts';
import { nameSql, now, publish, reader, transact } from '../shared';

type Row = Omit<AnswerView, 'next'> & { wrote_at: Date; unclear: boolean };

/** The people who wrote, the latest first. @param unread only those whom nobody has read yet */
export async function listAnswers(
  scope: Scope,
  { unread, limit, cursor }: { unread: boolean; limit: number; cursor?: string | null },
): Promise<Page<AnswerView>> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const after = readCursor(cursor, 2);
  const keyset = after ? ` and (c.wrote_at, c.id) < ($${bind.push(after[0])}::timestamptz, $${bind.push(after[1])}::bigint)` : '';
  const rows = await reader().rows<Row>(
    `with who as (select c.id, c.wrote_at from contacts c where ${where} and c.wrote_at is not null${unread ? ' and c.unread_at is not null' : ''}${keyset} order by c.wrote_at desc, c.id desc limit $${bind.push(limit + 1)})
     select c.id as contact_id, who.wrote_at, ${nameSql('c')} as name, ${nameSql('u')} as owner_name, c.stage, c.horizon, c.unread_at is not null as unread,
       (select count(*)::int from activities n where n.contact_id = c.id and c.unread_at is not null and n.at >= c.unread_at and n.kind = 'message' and n.direction = 'in') as unread_n,
       m.at, m.channel, coalesce(m.data->>'text', '') as text, m.data->>'subject' as subject, coalesce((m.data->>'optOut')::boolean, false) as opt_out,
       m.data->>'refusal' = 'unclear' and exists (select 1 from tasks t where t.contact_id = c.id and t.done_at is null and t.note like 'They wrote “%') as unclear,
       exists (select 1 from activities a where a.contact_id = c.id and a.at > m.at and (a.kind = 'call' or a.kind = 'message') and a.direction = 'out' and not coalesce((a.data->>'automatic')::boolean, false)) as answered,
       (select p.name from enrollments e join campaigns p on p.id = e.campaign_id where e.contact_id = c.id and e.because->>'why' = 'answered' and e.ended_at = m.at limit 1) as stopped
     from who join contacts c on c.id = who.id left join users u on u.id = c.owner_id
     join lateral (select * from activities a where a.contact_id = c.id and a.kind = 'message' and a.direction = 'in' order by a.at desc, a.id desc limit 1) m on true
     order by who.wrote_at desc, c.id desc`,
    bind,
  );
  const page = pageOf(rows, limit, (row) => [row.wrote_at.toISOString(), row.contact_id]);
  return {
    items: page.items.map(({ unclear, ...row }) => ({ ...row, next: suggestNext(row.text, row.opt_out, unclear) })),
    next: page.next,
  };
}

/** Marks what somebody wrote as read, or as unread again. @throws AppError not_found */
export async function markRead(scope: Scope, contactId: string, read: boolean): Promise<void> {
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    await tx.run(
      'update contacts c set unread_at = case when $2 then null else coalesce(c.unread_at, c.wrote_at, $3) end where c.id = $1',
      [contactId, read, await now(tx)],
    );
    await publish(tx, { accountId: scope.accountId, topic: 'message', contactId, ownerId: null });
  });
}
