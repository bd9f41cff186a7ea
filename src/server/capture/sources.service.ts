/** Lead sources as an office keeps them: which are new, which are the same. Merging moves people, inquiries, doors, segments and rungs over; it can be taken apart. */
import { sourceMergesTable } from './source-merges.model';
import { segmentsTable } from '../segments';
import { sourcesTable } from './sources.model';
import { scopeFor, type Principal } from '@/core/accounts';
import { oneLine, quietDoor, type SourceView } from '@/core/capture';
import { withSource, type Tree } from '@/core/segments';
import { AppError, notFound } from '@/core/shared';
import { copyRung, renameInRungs, routesBySource } from '../routing';
import { nameSql, now, reader, writeAudit, transact, type Tx } from '../shared';
import { forgetDoors } from './doors.repository';
import { forgetSources } from './sources';

type SourceRow = Omit<SourceView, 'routes' | 'quiet'> & { doors: string[]; arrivals: number; gap_hours: number | null };

/** All sources: the new ones first, then by how many people they brought. */
export async function listSources(principal: Principal): Promise<SourceView[]> {
  const scope = scopeFor(principal);
  const at = await now();
  const [rows, routesOf] = await Promise.all([
    reader().rows<SourceRow>(
      `select s.id, s.name, s.state, i.name as into_name, s.first_at, coalesce(n.people, 0)::int as people,
         (select m.id from source_merges m where m.from_id = s.id and m.undone_at is null order by m.id desc limit 1) as merge_id,
         array(select d.id::text from doors d where d.account_id = s.account_id and d.active and lower(d.source) = s.key) as doors,
         (select json_build_object('inquiry_id', l.id::text, 'contact_id', c.id::text, 'name', ${nameSql('c')}, 'at', l.arrived_at) from (
           select id, contact_id, arrived_at from inquiries where account_id = s.account_id and lower(source) = s.key order by arrived_at desc limit 1) l
           join contacts c on c.id = l.contact_id and c.deleted_at is null) as last_lead,
         h.leads_30_days, h.arrivals, h.gap_hours
       from sources s left join sources i on i.id = s.into_id
       left join (select lower(source) as key, count(*) as people from contacts where account_id = $1 and source is not null and deleted_at is null group by lower(source)) n on n.key = s.key
       left join lateral (select count(*)::int as arrivals, (count(*) filter (where at > $2::timestamptz - interval '30 days'))::int as leads_30_days,
           (percentile_cont(0.9) within group (order by gap))::float8 as gap_hours from (
         select arrived_at as at, extract(epoch from arrived_at - lag(arrived_at) over (order by arrived_at)) / 3600 as gap
         from inquiries q where q.account_id = s.account_id and lower(q.source) = s.key and q.arrived_at > $2::timestamptz - interval '60 days') gaps) h on true
       where s.account_id = $1 order by (s.state = 'proposed') desc, people desc, s.name`,
      [scope.accountId, at],
    ),
    routesBySource(scope),
  ]);
  return rows.map(({ doors, arrivals, gap_hours, ...source }) => {
    const last_lead = source.last_lead && { ...source.last_lead, at: new Date(source.last_lead.at) };
    const hoursSince = last_lead && (at.getTime() - last_lead.at.getTime()) / 3_600_000;
    const is = source.state === 'known' || source.state === 'proposed';
    return {
      ...source,
      last_lead,
      routes: is ? routesOf(source.name, doors) : [],
      quiet: is ? quietDoor({ arrivals, usualGapHours: gap_hours, hoursSince }) : null,
    };
  });
}

/** Makes a source before its first lead. @throws AppError conflict when there is one of that name */
export async function createSource(principal: Principal, name: string): Promise<SourceView> {
  const { accountId } = scopeFor(principal);
  const called = oneLine(name);
  const id = await transact(async (tx) => {
    const at = await now(tx);
    const made = await tx.first<{ id: string }>(
      `insert into sources (account_id, name, key, state, first_at) values ($1, $2, lower($2), 'known', $3)
       on conflict (account_id, key) do update set state = 'known', name = excluded.name where sources.state in ('proposed', 'none') returning id`,
      [accountId, called, at],
    );
    if (!made) throw new AppError('conflict', `You already have a source called “${called}”, or it was merged with another.`);
    await writeAudit(tx, principal, accountId, 'source.create', { sourceId: made.id, name: called }, at);
    return made.id;
  });
  forgetSources();
  return (await listSources(principal)).find((one) => one.id === id)!;
}

/** Says that a name is no source: who forwards, who sends notices. Leads that name it are called by their door from now on. @throws AppError not_found */
export async function dismissSource(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const rows = await tx.rows<{ name: string }>(
      `update sources set state = 'none' where id = $1 and account_id = $2 and state in ('known', 'proposed') returning name`,
      [id, accountId],
    );
    if (!rows.length) throw notFound('source');
    await writeAudit(tx, principal, accountId, 'source.none', { sourceId: id, ...rows[0] }, await now(tx));
  });
  forgetSources();
}

/**
 * Copies a rung for other sources of ours.
 * @returns the version of the ladder from before, which takes it back
 * @throws AppError not_found, conflict
 */
export async function copyRungToSources(principal: Principal, rungId: string, sourceIds: string[]): Promise<{ before: string }> {
  const { accountId } = scopeFor(principal);
  const rows = await reader().rows<{ id: string; name: string }>(
    `select id, name from sources where account_id = $1 and id = any($2::bigint[]) and state in ('known', 'proposed') order by array_position($2::bigint[], id)`,
    [accountId, sourceIds],
  );
  if (rows.length !== new Set(sourceIds).size) throw notFound('source');
  const { before } = await copyRung(
    principal,
    rungId,
    rows.map(({ name }) => name),
  );
  return { before };
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
