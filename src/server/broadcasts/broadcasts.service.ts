/** Broadcasts: drafted, counted before anything goes, started, paused, resumed, cancelled. Addressing is the worker's, going out the outbox's. */
import { broadcastsTable } from './broadcasts.model';
import { AppError, notFound } from '@/core/shared';
import { type RefusalCode, CHANNELS, type SendChannel } from '@/core/contacts';
import { scopeFor, type Principal, type Scope } from '@/core/accounts';
import { oneLine } from '@/core/capture';
import { storableJson } from '@/core/capture/schemas';
import { checkWords, type BroadcastSelection, type BroadcastView, type Goes, type Reach, type Words } from '@/core/messages';
import { holidayOn, nextWorkday } from '@/core/campaigns';
import { readSettings, requirePostalAddress } from '../accounts';
import { listFields } from '../contacts';
import { checkAttached, findTemplate } from '../templates';
import { nameSql, now, publish, reader, writeAudit, transact, wakeWorkers, type Tx } from '../shared';
import { countsOf } from './results.repository';
import { chosenSql, standingSql } from './audience';

type Row = Omit<BroadcastView, 'made_by' | 'may_change' | 'counts'> & { made_by_id: string | null; made_by_name: string | null };

/** Agents see their own; those who run the office see all. */
async function readRows(scope: Scope, id: string | null, tx: Tx = reader()): Promise<Row[]> {
  return tx.rows<Row>(
    `select b.id, b.name, b.channel, b.template_id, b.words, b.selection, b.goes, b.per_minute, b.state, b.people, b.left_out, b.error, b.made_by as made_by_id,
       ${nameSql('u')} as made_by_name, b.made_at, b.started_at, b.ended_at, d.next_at, d.last_at
     from broadcasts b left join users u on u.id = b.made_by
     left join lateral (select min(due_at) as next_at, max(due_at) as last_at from outbox o where o.broadcast_id = b.id and o.state in ('waiting','sending','paused')) d on true
     where b.account_id = $1 and ($2::bigint is null or b.made_by = $2) and ($3::bigint is null or b.id = $3) order by b.id desc limit 200`,
    [scope.accountId, scope.runsOffice ? null : scope.userId, id],
  );
}

const viewsOf = async (rows: Row[], tx: Tx = reader()): Promise<BroadcastView[]> => {
  const counts = await countsOf(
    tx,
    rows.map(({ id }) => id),
  );
  return rows.map(({ made_by_id, made_by_name, ...row }) => ({
    ...row,
    made_by: made_by_id ? { id: made_by_id, name: made_by_name ?? '' } : null,
    may_change: true,
    counts: counts.get(row.id)!,
  }));
};

export const listBroadcasts = async (scope: Scope): Promise<BroadcastView[]> => viewsOf(await readRows(scope, null));

/** @throws AppError not_found */
export async function findBroadcast(scope: Scope, id: string): Promise<BroadcastView> {
  const rows = await readRows(scope, id);
  if (!rows.length) throw notFound('broadcast');
  return (await viewsOf(rows))[0]!;
}

export interface BroadcastInput {
  name: string;
  channel: SendChannel;
  /** Its words are those of a template, or its own. */
  template_id?: string | null;
  words?: Words;
  selection: BroadcastSelection;
  goes?: Goes;
  per_minute?: number;
}

const mayBroadcast = (principal: Principal): void => {
  if (principal.kind === 'user' && !['owner', 'admin', 'agent'].includes(principal.user.role))
    throw new AppError('not_allowed', 'Only agents and office managers can send broadcasts.');
};

/** A date set by a person holds; that it is a holiday is told before. */
function holidayOf(goes: Goes | undefined, holidays: readonly string[]): Reach['holiday'] {
  const name = goes && goes.on !== 'now' ? holidayOn(goes.day, holidays) : null;
  return goes && goes.on !== 'now' && name ? { name, next: nextWorkday(goes.day, holidays) } : null;
}

/** Counts whom it would reach, and whom it would leave out and why; nothing is kept. */
export async function previewReach(
  principal: Principal,
  { channel, selection, per_minute, goes }: Pick<BroadcastInput, 'channel' | 'selection' | 'per_minute' | 'goes'>,
): Promise<Reach> {
  mayBroadcast(principal);
  const scope = scopeFor(principal);
  const bind: unknown[] = [];
  const chosen = await chosenSql(scope, selection, bind);
  const rows = await reader().rows<{ why: RefusalCode | null; n: number }>(
    `select why, count(*)::int as n from (${standingSql(chosen, channel)}) s group by why`,
    bind,
  );
  const receive = rows.find(({ why }) => why === null)?.n ?? 0;
  const settings = await readSettings(scope.accountId);
  const { price, perMinute } = CHANNELS[channel];
  return {
    people: rows.reduce((sum, { n }) => sum + n, 0),
    receive,
    left_out: Object.fromEntries(rows.flatMap(({ why, n }) => (why ? [[why, n]] : []))),
    letter_cents: price ? receive * settings[price] : 0,
    minutes: Math.ceil(receive / (per_minute ?? perMinute)),
    holiday: holidayOf(goes, settings.holidays),
  };
}

const cleaned = (words: Words): Words => JSON.parse(storableJson(words)) as Words;

async function wordsOf(scope: Scope, { channel, template_id, words }: BroadcastInput): Promise<Words> {
  if (!template_id) return cleaned(words ?? { text: '', plain: '', ...(CHANNELS[channel].hasSubject ? { subject: '' } : {}) });
  const template = await findTemplate(scope, template_id);
  if (template.channel !== channel)
    throw new AppError('input_invalid', 'Couldn’t save the broadcast.', {
      fields: [{ field: 'template_id', message: 'is for another channel' }],
    });
  return words ? cleaned(words) : template.words;
}

/** Drafts a broadcast; nothing goes yet. */
export async function createBroadcast(principal: Principal, input: BroadcastInput): Promise<BroadcastView> {
  mayBroadcast(principal);
  const scope = scopeFor(principal);
  const words = await wordsOf(scope, input);
  const id = await transact(async (tx) => {
    await checkAttached(tx, scope.accountId, words);
    const row = await broadcastsTable.insert(
      {
        account_id: scope.accountId,
        name: oneLine(input.name) || 'Broadcast',
        channel: input.channel,
        template_id: input.template_id ?? null,
        words,
        selection: input.selection,
        goes: input.goes ?? { on: 'now' },
        per_minute: input.per_minute ?? CHANNELS[input.channel].perMinute,
        made_by: principal.kind === 'user' ? principal.user.id : null,
        made_at: await now(tx),
      },
      tx,
    );
    return row.id;
  });
  return findBroadcast(scope, id);
}

/** Locks a broadcast that somebody may change. @throws AppError not_found */
async function lock(tx: Tx, scope: Scope, id: string): Promise<Row> {
  await tx.run('select 1 from broadcasts where id = $1 and account_id = $2 for update', [id, scope.accountId]);
  const [row] = await readRows(scope, id, tx);
  if (!row) throw notFound('broadcast');
  return row;
}
const tell = (tx: Tx, accountId: string): Promise<void> => publish(tx, { accountId, topic: 'message', ownerId: null });

/** Changes a draft. @throws AppError conflict once it was started */
export async function updateBroadcast(
  principal: Principal,
  id: string,
  patch: Partial<Omit<BroadcastInput, 'channel'>>,
): Promise<BroadcastView> {
  mayBroadcast(principal);
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const row = await lock(tx, scope, id);
    if (row.state !== 'draft') throw new AppError('conflict', 'This broadcast has started. You can pause or cancel it.');
    const words =
      patch.words || patch.template_id ? await wordsOf(scope, { ...row, ...patch, channel: row.channel, name: row.name }) : null;
    if (words) await checkAttached(tx, scope.accountId, words);
    const { name, selection, goes, per_minute, template_id } = patch;
    await broadcastsTable.update(
      {
        ...(name === undefined ? {} : { name: oneLine(name) || row.name }),
        ...(words ? { words } : {}),
        ...(selection ? { selection } : {}),
        ...(goes ? { goes } : {}),
        ...(per_minute == null ? {} : { per_minute }),
        ...(template_id === undefined ? {} : { template_id }),
      },
      { id },
      tx,
    );
  });
  return findBroadcast(scope, id);
}

/** Starts a draft: the worker addresses it, and it goes at its time and throttle. Twice, it is started once. @throws AppError input_invalid with what is wrong with the words, conflict */
export async function startBroadcast(principal: Principal, id: string): Promise<BroadcastView> {
  mayBroadcast(principal);
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const row = await lock(tx, scope, id);
    if (row.state !== 'draft') {
      if (row.state === 'filling' || row.state === 'going') return;
      throw new AppError('conflict', 'This broadcast is finished. Copy it to send it again.');
    }
    const fields = (await listFields(scope.accountId, tx)).map(({ name }) => name);
    const errors = checkWords({ channel: row.channel, words: row.words, fields }).filter(({ level }) => level === 'error');
    if (errors.length)
      throw new AppError('input_invalid', 'It wasn’t started: fix the errors in the message.', {
        fields: errors.map(({ part, message }) => ({ field: `words.${part}`, message })),
      });
    if (CHANNELS[row.channel].needsPostalAddress) await requirePostalAddress(scope.accountId, tx);
    const at = await now(tx);
    await chosenSql(scope, row.selection, []);
    await broadcastsTable.update({ state: 'filling', started_at: at }, { id }, tx);
    await writeAudit(tx, principal, scope.accountId, 'started a broadcast', { id, name: row.name }, at);
    await tell(tx, scope.accountId);
    await wakeWorkers(tx);
  });
  return findBroadcast(scope, id);
}

/** Pauses what has not gone, at once. */
export async function pauseBroadcast(principal: Principal, id: string): Promise<BroadcastView> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const row = await lock(tx, scope, id);
    if (row.state === 'paused') return;
    if (row.state !== 'going') throw new AppError('conflict', 'Only a broadcast that’s sending can be paused.');
    await broadcastsTable.update({ state: 'paused' }, { id }, tx);
    await tx.run(`update outbox set state = 'paused' where broadcast_id = $1 and state = 'waiting'`, [id]);
    await writeAudit(tx, principal, scope.accountId, 'paused a broadcast', { id }, await now(tx));
    await tell(tx, scope.accountId);
  });
  return findBroadcast(scope, id);
}

/** Lets a paused one go on at its throttle: the first that waits goes now, the others as long after it as they were to. */
export async function resumeBroadcast(principal: Principal, id: string): Promise<BroadcastView> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const row = await lock(tx, scope, id);
    if (row.state === 'going') return;
    if (row.state !== 'paused') throw new AppError('conflict', 'Only a paused broadcast can be resumed.');
    const at = await now(tx);
    await broadcastsTable.update({ state: 'going' }, { id }, tx);
    await tx.run(
      `update outbox o set state = 'waiting', due_at = case when f.first < $2 then o.due_at + ($2 - f.first) else o.due_at end
       from (select min(due_at) as first from outbox where broadcast_id = $1 and state = 'paused') f where o.broadcast_id = $1 and o.state = 'paused'`,
      [id, at],
    );
    await writeAudit(tx, principal, scope.accountId, 'resumed a broadcast', { id }, at);
    await tell(tx, scope.accountId);
    await wakeWorkers(tx);
  });
  return findBroadcast(scope, id);
}

/** Takes back what has not gone; what went stays gone. */
export async function cancelBroadcast(principal: Principal, id: string): Promise<BroadcastView> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const row = await lock(tx, scope, id);
    if (row.state === 'cancelled') return;
    if (!['filling', 'going', 'paused'].includes(row.state)) throw new AppError('conflict', 'There’s nothing left to cancel.');
    const at = await now(tx);
    await broadcastsTable.update({ state: 'cancelled', ended_at: at }, { id }, tx);
    await tx.run(`update outbox set state = 'cancelled' where broadcast_id = $1 and state in ('waiting','paused')`, [id]);
    await writeAudit(tx, principal, scope.accountId, 'canceled a broadcast', { id }, at);
    await tell(tx, scope.accountId);
  });
  return findBroadcast(scope, id);
}

/** Takes a draft away. @throws AppError conflict for one that went out: its record stays */
export async function deleteBroadcast(principal: Principal, id: string): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const row = await lock(tx, scope, id);
    if (row.state !== 'draft') throw new AppError('conflict', 'Messages already sent stay on record.');
    await broadcastsTable.remove({ id }, tx);
  });
}

/** A draft with the same words for the same people. */
export async function copyBroadcast(principal: Principal, id: string): Promise<BroadcastView> {
  const { name, channel, template_id, words, selection, per_minute } = await findBroadcast(scopeFor(principal), id);
  return createBroadcast(principal, { name: `${name}, again`, channel, template_id, words, selection, per_minute });
}
