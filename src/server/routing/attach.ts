/** What a rung adds to whoever comes by it: its tags, and a lender. */
import { rostersTable } from './rosters.model';
import { turnOrder, type Rung } from '@/core/routing';
import { nameSql, type Tx } from '../shared';
import { tellLenders } from './lenders.service';

/** Adds what a rung adds to whoever came by it: its tags, and a lender when they have none, in turn. */
export async function attachByRung(
  tx: Tx,
  accountId: string,
  { tags, lender }: Rung,
  contactId: string,
  at: Date,
): Promise<void> {
  if (tags.length)
    await tx.run(
      `insert into contact_tags (contact_id, tag_id) select $2, id from tags where id = any($3::bigint[]) and account_id = $1 and deleted_at is null on conflict do nothing`,
      [accountId, contactId, tags],
    );
  if (lender) await attachLender(tx, accountId, { lender, contactId }, at);
}

async function attachLender(
  tx: Tx,
  accountId: string,
  { lender, contactId }: { lender: NonNullable<Rung['lender']>; contactId: string },
  at: Date,
): Promise<void> {
  const attached = await tx.first('select 1 from contact_lenders where contact_id = $1 limit 1', [contactId]);
  if (attached) return;
  const lenderId = 'userId' in lender ? lender.userId : await nextLender(tx, lender.rosterId, at);
  if (!lenderId) return;
  const lenders = await tx.rows<{ id: string; name: string; told_by: ('email' | 'text')[] }>(
    `with made as (insert into contact_lenders (contact_id, user_id) select $1, id from users where id = $2 and active and role = 'lender' on conflict do nothing returning user_id)
     select u.id, ${nameSql('u')} as name, u.told_by from made join users u on u.id = made.user_id`,
    [contactId, lenderId],
  );
  await tellLenders(tx, accountId, contactId, { lenders, by: null, at });
}

/** The next lender of a roster, in turn. */
async function nextLender(tx: Tx, rosterId: string, at: Date): Promise<string | null> {
  const roster = await tx.first<{ last_user_id: string | null }>('select last_user_id from rosters where id = $1 for update', [
    rosterId,
  ]);
  if (!roster) return null;
  const members = await tx.rows<{ userId: string; position: number }>(
    `select m.user_id as "userId", m.position from roster_members m join users u on u.id = m.user_id
     where m.roster_id = $1 and m.state = 'in' and not m.paused and u.active and u.role = 'lender' and (u.away_until is null or u.away_until <= $2 or u.away_from > $2)`,
    [rosterId, at],
  );
  const next = turnOrder(members, roster.last_user_id)[0];
  if (next) await rostersTable.update({ last_user_id: next.userId }, { id: rosterId }, tx);
  return next?.userId ?? null;
}
