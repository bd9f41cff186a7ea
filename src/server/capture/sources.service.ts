/** Lead sources as an office keeps them: which are new, which are the same. Merging moves people, inquiries, doors, segments and rungs over; it can be taken apart. */
import { sourceMergesTable } from './source-merges.model';
import { segmentsTable } from '../segments';
import { sourcesTable } from './sources.model';
import { scopeFor, type Principal } from '@/core/accounts';
import { oneLine, type SourceView } from '@/core/capture';
import { withSource, type Tree } from '@/core/segments';
import { AppError, notFound } from '@/core/shared';
import { renameInRungs } from '../routing';
import { now, reader, writeAudit, transact, type Tx } from '../shared';
import { forgetDoors } from './doors.repository';
import { forgetSources } from './sources';

/** All sources: the new ones first, then by how many people they brought. */
export async function listSources(principal: Principal): Promise<SourceView[]> {
  const { accountId } = scopeFor(principal);
  return reader().rows<SourceView>(
    `select s.id, s.name, s.state, i.name as into_name, s.first_at, coalesce(n.people, 0)::int as people,
       (select m.id from source_merges m where m.from_id = s.id and m.undone_at is null order by m.id desc limit 1) as merge_id
     from sources s left join sources i on i.id = s.into_id
     left join (select lower(source) as key, count(*) as people from contacts where account_id = $1 and source is not null and deleted_at is null group by lower(source)) n on n.key = s.key
     where s.account_id = $1 order by (s.state = 'proposed') desc, people desc, s.name`,
    [accountId],
  );
}

/** A name that a lead brought is a source of ours, perhaps called otherwise. @throws AppError not_found, conflict when another is called so */
export async function saveSource(principal: Principal, id: string, name?: string): Promise<SourceView> {
  const { accountId } = scopeFor(principal);
  const called = name === undefined ? null : oneLine(name);
  if (called === '')
    throw new AppError('input_invalid', 'Couldn’t save the source.', { fields: [{ field: 'name', message: 'enter a name' }] });
  await transact(async (tx) => {
    const row = await tx.first<{ name: string; key: string }>(
      `select name, key from sources where id = $1 and account_id = $2 and state <> 'merged' for update`,
      [id, accountId],
    );
    if (!row) throw notFound('source');
    if (called && called.toLowerCase() !== row.key)
      throw new AppError('conflict', 'You can only change capitalization here. To rename it, merge it with the other name.');
    if (called && called !== row.name) {
      await tx.run('update contacts set source = $3 where account_id = $1 and lower(source) = $2', [accountId, row.key, called]);
      await tx.run('update inquiries set source = $3 where account_id = $1 and lower(source) = $2', [accountId, row.key, called]);
    }
    await tx.run(`update sources set state = 'known', name = coalesce($2, name) where id = $1`, [id, called]);
    await writeAudit(tx, principal, accountId, 'source.keep', { sourceId: id, name: called ?? row.name }, await now(tx));
  });
  forgetSources();
  return (await listSources(principal)).find((one) => one.id === id)!;
}

interface Moved {
  contacts: string[];
  inquiries: string[];
  doors: string[];
  segments: string[];
  rungs: boolean;
}

/** Says that two sources are the same: from now on, and for all that came before, it is called by the other. @throws AppError not_found, conflict */
export async function mergeSources(
  principal: Principal,
  fromId: string,
  intoId: string,
): Promise<{ id: string; people: number }> {
  const { accountId, userId } = scopeFor(principal);
  if (fromId === intoId) throw new AppError('conflict', 'You can’t merge a source with itself.');
  const made = await transact(async (tx) => {
    const at = await now(tx);
    const rows = await tx.rows<{ id: string; name: string; key: string; state: string }>(
      'select id, name, key, state from sources where account_id = $1 and id = any($2::bigint[]) order by id for update',
      [accountId, [fromId, intoId]],
    );
    const [from, into] = [rows.find(({ id }) => id === fromId), rows.find(({ id }) => id === intoId)];
    if (!from || !into) throw notFound('source');
    if (from.state === 'merged' || into.state === 'merged')
      throw new AppError('conflict', 'One of them was already merged. Nothing changed.');
    const ids = async (table: string): Promise<string[]> =>
      (
        await tx.rows<{ id: string }>(
          `update ${table} set source = $3 where account_id = $1 and lower(source) = $2 returning id`,
          [accountId, from.key, into.name],
        )
      ).map(({ id }) => id);
    const moved: Moved = {
      contacts: await ids('contacts'),
      inquiries: await ids('inquiries'),
      doors: await ids('doors'),
      segments: await renameInSegments(tx, accountId, from.name, into.name),
      rungs: await renameInRungs(tx, principal, from.name, into.name, at),
    };
    await sourcesTable.update({ state: 'merged', into_id: intoId }, { id: fromId }, tx);
    await sourcesTable.update({ into_id: intoId }, { into_id: fromId }, tx);
    await sourcesTable.update({ state: 'known' }, { id: intoId }, tx);
    const row = await sourceMergesTable.insert(
      { account_id: accountId, from_id: fromId, into_id: intoId, moved, made_by: userId, at },
      tx,
    );
    await writeAudit(
      tx,
      principal,
      accountId,
      'source.merge',
      { from: from.name, into: into.name, people: moved.contacts.length },
      at,
    );
    return { id: row.id, people: moved.contacts.length };
  });
  forgetSources();
  forgetDoors();
  return made;
}

/** Takes a merge apart: what it moved goes back; what came since stays with the other. @throws AppError not_found */
export async function splitSources(principal: Principal, mergeId: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const at = await now(tx);
    const row = await tx.first<{ from_id: string; into_id: string; moved: Moved; from_name: string; into_name: string }>(
      `select m.from_id, m.into_id, m.moved, f.name as from_name, i.name as into_name from source_merges m join sources f on f.id = m.from_id join sources i on i.id = m.into_id
       where m.id = $1 and m.account_id = $2 and m.undone_at is null for update of m, f, i`,
      [mergeId, accountId],
    );
    if (!row) throw notFound('merge to undo');
    const { moved, from_name, into_name } = row;
    for (const table of ['contacts', 'inquiries', 'doors'] as const)
      await tx.run(`update ${table} set source = $2 where id = any($1::bigint[]) and source = $3`, [
        moved[table],
        from_name,
        into_name,
      ]);
    await renameInSegments(tx, accountId, into_name, from_name, moved.segments);
    if (moved.rungs) await renameInRungs(tx, principal, into_name, from_name, at);
    await sourcesTable.update({ state: 'known', into_id: null }, { id: row.from_id }, tx);
    await sourceMergesTable.update({ undone_at: at }, { id: mergeId }, tx);
    await writeAudit(tx, principal, accountId, 'source.split', { from: from_name, into: into_name }, at);
  });
  forgetSources();
  forgetDoors();
}

/** @param only the segments to change; all that name it without */
async function renameInSegments(tx: Tx, accountId: string, from: string, to: string, only?: string[]): Promise<string[]> {
  const rows = await tx.rows<{ id: string; tree: Tree }>(
    'select id, tree from segments where account_id = $1 and ($2::bigint[] is null or id = any($2::bigint[])) for update',
    [accountId, only ?? null],
  );
  const changed: string[] = [];
  for (const { id, tree } of rows) {
    const next = withSource(tree, from, to);
    if (JSON.stringify(next) === JSON.stringify(tree)) continue;
    await segmentsTable.update({ tree: next }, { id }, tx);
    changed.push(id);
  }
  return changed;
}
