/** A person's calendar of the important dates of their people, those of the account's own fields among them, at a secret address that can be revoked; kept hashed, shown once. */
import { calendarOf, type YearlyDay } from '@/core/calendar';
import { notFound } from '@/core/shared';
import { scopeFor, type User } from '@/core/accounts';
import { findUser } from '../accounts';
import { DISPLAY_NAME, displayName, visible } from '../contacts';
import { config, hashed, now, randomToken, reader, writeAudit, transact, type RowOf } from '../shared';
import { feedsTable } from './feeds.model';

/** The address that somebody's calendar has, without its secret. */
export type FeedView = Pick<RowOf<typeof feedsTable>, 'made_at' | 'read_at'>;

/** The address that holds now, without its secret; null when there is none. */
export const readFeed = (user: User): Promise<FeedView | null> =>
  reader().first<FeedView>(
    'select made_at, read_at from feeds where user_id = $1 and revoked_at is null order by id desc limit 1',
    [user.id],
  );

/** Makes a new address; the one before stops at once. */
export async function createFeed(user: User): Promise<{ url: string }> {
  const token = randomToken();
  await transact(async (tx) => {
    const at = await now(tx);
    await feedsTable.update({ revoked_at: at }, { user_id: user.id, revoked_at: null }, tx);
    await feedsTable.insert({ account_id: user.accountId, user_id: user.id, token_hash: hashed(token), made_at: at }, tx);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'calendar.create', {}, at);
  });
  return { url: `${config().publicUrl}/calendar/${token}/dates.ics` };
}

export async function revokeFeed(user: User): Promise<void> {
  await transact(async (tx) => {
    const at = await now(tx);
    await feedsTable.update({ revoked_at: at }, { user_id: user.id, revoked_at: null }, tx);
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'calendar.revoke', {}, at);
  });
}

/** The calendar at an address. @throws AppError not_found for one that is revoked, unknown, or of somebody who left */
export async function calendarAt(token: string): Promise<string> {
  const at = await now();
  const feed = await reader().first<{ user_id: string }>(
    'update feeds set read_at = $2 where token_hash = $1 and revoked_at is null returning user_id',
    [hashed(token), at],
  );
  const user = feed && (await findUser(feed.user_id));
  if (!user) throw notFound('calendar');
  const bind: unknown[] = [];
  const scope = scopeFor({ kind: 'user', user });
  const where = visible(scope, bind);
  const accountAt = `$${bind.push(scope.accountId)}`;
  const days = await reader().rows<YearlyDay>(
    `select c.id as "contactId", ${DISPLAY_NAME} as name, d.kind, d.label, d.year, d.month_day as "monthDay", d.field_id as "fieldId", d.once
     from (select contact_id, kind, label, year, month_day, null::bigint as field_id, false as once from contact_dates
       union all select v.contact_id, 'other', f.name, extract(year from v.day)::int, coalesce(to_char(v.day, 'MMDD')::int, v.month_day), f.id, f.kind = 'date'
         from fields f join field_values v on v.field_id = f.id where f.account_id = ${accountAt} and f.kind in ('date', 'yearly') and f.deleted_at is null and coalesce(to_char(v.day, 'MMDD')::int, v.month_day) is not null) d
     join contacts c on c.id = d.contact_id where ${where} and c.stage <> 'archived' order by d.month_day, c.id, d.field_id nulls first`,
    bind,
  );
  return calendarOf(
    'Important dates',
    days.map((one) => ({ ...one, name: displayName(one.name) })),
    at,
    (id) => `${config().publicUrl}/contacts/${id}`,
  );
}
