/**
 * Carrying a change out, chunk by chunk: each chunk is one transaction with its rows for undo and the count of what is done, and
 * takes itself off the list, so that after a crash the next worker goes on exactly where this one stopped.
 */
import type { RefusalCounts, RefusalCode } from '@/core/contacts';
import { fullName, scopeFor, wholeAccount, type User, type Scope } from '@/core/accounts';
import { isDeletion } from '@/core/changes';
import { AppError } from '@/core/shared';
import { findUser } from '../accounts';
import { visible } from '../contacts';
import { now, publish, reader, transact, type Tx } from '../shared';
import { readChange, type ChangeRow } from './changes.repository';
import { kindOf } from './kinds.index';
import type { BulkActionContext, Item } from './kinds';
import { selectionSql } from './select';

const CHUNK = 2_500;

async function doerOf(row: ChangeRow): Promise<{ scope: Scope; user: User | null }> {
  if (!row.user_id) return { scope: wholeAccount(row.account_id), user: null };
  const user = await findUser(row.user_id);
  if (!user) throw new AppError('not_allowed', 'The person who requested this is no longer here.');
  return { scope: scopeFor({ kind: 'user', user }), user };
}

const doingOf = (row: ChangeRow, user: User | null, tx: Tx, at: Date): BulkActionContext => ({
  tx,
  changeId: row.id,
  accountId: row.account_id,
  userId: row.user_id,
  by: user ? fullName(user) : 'a program',
  at,
  line: `Bulk change: ${row.spec.description}`,
});

const tell = (tx: Tx, row: ChangeRow): Promise<void> =>
  publish(tx, { accountId: row.account_id, topic: 'change', ownerId: row.user_id });

/** Does all of it, or goes on with it. @param going answers false when the process is to stop; the rest is left for the next */
export async function performChange(id: string, going: () => boolean = () => true): Promise<void> {
  const found = await readChange(id);
  if (!found || !['waiting', 'running'].includes(found.state)) return;
  const { scope, user } = await doerOf(found);
  if (found.state === 'waiting') await choose(found, scope);
  while (going() && (await performChunk(id, user, scope)));
}

/** Writes down whom the change is for, as it is at this moment. */
async function choose(row: ChangeRow, scope: Scope): Promise<void> {
  await transact(async (tx) => {
    const bind: unknown[] = [];
    const selected = await selectionSql(scope, row.spec.selection, bind);
    await tx.run(
      `insert into change_chunks (change_id, position, contact_ids)
       select $${bind.push(row.id)}, n / ${CHUNK}, array_agg(id order by id) from (select id, row_number() over (order by id) - 1 as n from (${selected}) chosen) numbered group by n / ${CHUNK}`,
      bind,
    );
    await tx.run(
      `update changes set state = 'running', total = coalesce((select sum(cardinality(contact_ids)) from change_chunks where change_id = $1), 0) where id = $1`,
      [row.id],
    );
  });
}

async function performChunk(id: string, user: User | null, scope: Scope): Promise<boolean> {
  return transact(async (tx) => {
    const row = await readChange(id, tx, true);
    if (!row || row.state !== 'running') return false;
    const at = await now(tx);
    const chunk = row.cancel
      ? null
      : await tx.first<{ contact_ids: string[] }>(
          `delete from change_chunks where change_id = $1 and position = (select min(position) from change_chunks where change_id = $1) returning contact_ids`,
          [id],
        );
    if (!chunk) {
      await tx.run('delete from change_chunks where change_id = $1', [id]);
      await tx.run('update changes set state = $2, ended_at = $3 where id = $1', [
        id,
        row.cancel && row.done < row.total ? 'cancelled' : 'done',
        at,
      ]);
      await tell(tx, row);
      return false;
    }
    const kind = kindOf(row.spec.change);
    const leftAlone = isDeletion(row.kind)
      ? { ids: chunk.contact_ids, counts: {} }
      : await leftAloneOf(tx, row, chunk.contact_ids, scope);
    const changed = await kind.apply(doingOf(row, user, tx, at), row.spec.change, leftAlone.ids);
    const counts = leftAlone.counts;
    const why = kind.leavesByItself ?? 'changed_since';
    if (leftAlone.ids.length > changed) counts[why] = (counts[why] ?? 0) + leftAlone.ids.length - changed;
    await tx.run(
      `update changes set done = done + $2, changed = changed + $3, left_alone = (select coalesce(jsonb_object_agg(key, n), '{}') from (
         select key, sum(value::int)::int as n from (select * from jsonb_each_text(left_alone) union all select * from jsonb_each_text($4::jsonb)) x group by key) y) where id = $1`,
      [id, chunk.contact_ids.length, changed, JSON.stringify(counts)],
    );
    await tell(tx, row);
    return true;
  });
}

/** Locks the chunk and sorts out whom the change leaves as they are. */
async function leftAloneOf(
  tx: Tx,
  row: ChangeRow,
  chosen: string[],
  scope: Scope,
): Promise<{ ids: string[]; counts: RefusalCounts }> {
  const locking: unknown[] = [chosen];
  const locked = await tx.rows<{ id: string; gone: boolean; theirs: boolean }>(
    `select id, deleted_at is not null as gone, (deleted_at is not null or (${visible(scope, locking)})) as theirs from contacts c where id = any($1::bigint[]) order by id for update`,
    locking,
  );
  /* Whoever was handed on meanwhile is not theirs to change any more. */
  const there = locked.filter(({ theirs }) => theirs);
  const ids = there.map(({ id }) => id);
  const kind = kindOf(row.spec.change);
  const bind: unknown[] = [ids];
  const rows: { id: string; why: RefusalCode | null }[] = kind.leavesByItself
    ? there.map(({ id, gone }) => ({ id, why: gone ? 'gone' : null }))
    : await tx.rows(
        `select c.id, case when c.deleted_at is not null then 'gone' else (${kind.leaves(row.spec.change, bind)})::text end as why
         from contacts c join contact_facts f on f.contact_id = c.id where c.id = any($1::bigint[])`,
        bind,
      );
  const counts: RefusalCounts = {};
  for (const { why } of rows) if (why) counts[why] = (counts[why] ?? 0) + 1;
  const foreign = locked.length - there.length;
  if (foreign) counts.changed_since = (counts.changed_since ?? 0) + foreign;
  if (locked.length < chosen.length) counts.gone = (counts.gone ?? 0) + chosen.length - locked.length;
  return { ids: rows.filter(({ why }) => why === null).map(({ id }) => id), counts };
}

/** Takes a change back, or goes on with taking it back. */
export async function performUndo(id: string, going: () => boolean = () => true): Promise<void> {
  const row = await readChange(id);
  if (!row || row.state !== 'undoing') return;
  const user = row.user_id ? await findUser(row.user_id) : null;
  while (going() && (await undoChunk(id, user)));
}

async function undoChunk(id: string, user: User | null): Promise<boolean> {
  return transact(async (tx) => {
    const row = await readChange(id, tx, true);
    if (!row || row.state !== 'undoing') return false;
    const at = await now(tx);
    const items = await tx.rows<Item>(
      `delete from change_items where change_id = $1 and contact_id <= (select max(contact_id) from (select contact_id from change_items where change_id = $1 order by contact_id limit ${CHUNK}) next) returning contact_id, before, after`,
      [id],
    );
    if (!items.length) {
      await tx.run(`update changes set state = 'undone', ended_at = $2 where id = $1`, [id, at]);
      await tell(tx, row);
      return false;
    }
    await tx.run('select 1 from contacts where id = any($1::bigint[]) order by id for update', [
      items.map(({ contact_id }) => contact_id),
    ]);
    const doing = { ...doingOf(row, user, tx, at), line: `Undone: ${row.spec.description}` };
    const { restored, why } = await kindOf(row.spec.change).undo(doing, row.spec.change, items);
    await tx.run(
      `update changes set undone = undone + $2, undo_left_alone = case when $3 > 0 then jsonb_set(undo_left_alone, array[$4::text], to_jsonb(coalesce((undo_left_alone->>$4)::int, 0) + $3)) else undo_left_alone end where id = $1`,
      [id, restored, items.length - restored, why],
    );
    await tell(tx, row);
    return true;
  });
}

/** A change that cannot go on says why, where its maker sees it. */
export async function failChange(id: string, error: string): Promise<void> {
  await reader().run(
    `update changes set state = 'failed', error = $2 where id = $1 and state in ('waiting','running','undoing')`,
    [id, error.slice(0, 500)],
  );
}
