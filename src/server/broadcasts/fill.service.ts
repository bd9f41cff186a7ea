/** Addressing a broadcast: one row of the outbox for each person, in one statement, so that it stands there whole or not at all. */
import { scopeFor, wholeAccount, type User, type Scope } from '@/core/accounts';
import type { RefusalCode, SendChannel } from '@/core/contacts';
import type { BroadcastSelection, Goes } from '@/core/messages';
import { AppError } from '@/core/shared';
import { findUser } from '../accounts';
import { now, publish, reader, transact, wakeWorkers } from '../shared';
import { chosenSql, standingSql } from './audience';

interface Filling {
  account_id: string;
  channel: SendChannel;
  selection: BroadcastSelection;
  goes: Goes;
  per_minute: number;
  template_id: string | null;
  template_version: number | null;
  made_by: string | null;
  zone: string;
}

const scopeOf = (accountId: string, user: User | null): Scope =>
  user ? scopeFor({ kind: 'user', user }) : wholeAccount(accountId);

/**
 * Addresses a broadcast that was started, and ends those of which nothing waits any more. Found by the pulse, so that it happens at its
 * instant of our clock; any number of workers may look.
 * @returns how many there were
 */
export async function carryOutBroadcasts(): Promise<number> {
  const open = await reader().first<{ id: string }>(
    `select id from broadcasts where state in ('filling','going') order by state, id limit 1`,
  );
  if (!open) return 0;
  const next = await reader().first<{ id: string }>(`select id from broadcasts where state = 'filling' order by id limit 1`);
  if (!next) return endBroadcasts();
  try {
    await fillBroadcast(next.id);
  } catch (error) {
    if (error instanceof AppError && error.facts.retry) throw error;
    await failBroadcast(
      next.id,
      error instanceof AppError ? error.message : 'Something went wrong on our end. Nothing went out.',
    );
    if (!(error instanceof AppError)) throw error;
  }
  return 1;
}

/** Carries out the order once; a second time it finds nothing to do. */
async function fillBroadcast(id: string): Promise<void> {
  await transact(async (tx) => {
    const order = await tx.first<Filling>(
      `select b.account_id, b.channel, b.selection, b.goes, b.per_minute, b.template_id, t.version as template_version, b.made_by, a.time_zone as zone
       from broadcasts b join accounts a on a.id = b.account_id left join templates t on t.id = b.template_id where b.id = $1 and b.state = 'filling' for update of b skip locked`,
      [id],
    );
    if (!order) return;
    const at = await now(tx);
    const scope = scopeOf(order.account_id, order.made_by ? await findUser(order.made_by) : null);
    const bind: unknown[] = [];
    const chosen = await chosenSql(scope, order.selection, bind);
    const n = (value: unknown) => `$${bind.push(value)}`;
    const { goes } = order;
    const [nowAt, perMinute] = [`${n(at)}::timestamptz`, `${n(order.per_minute)}::int`];
    const base =
      goes.on === 'now'
        ? nowAt
        : `greatest(${nowAt}, (${n(`${goes.day} ${goes.at}`)}::timestamp at time zone ${goes.on === 'local' ? 's.time_zone' : `${n(order.zone)}::text`}))`;
    /* As many a minute as it may, in each zone of its own where each has its own time. */
    const turn = `row_number() over (partition by s.why is null${goes.on === 'local' ? ', s.time_zone' : ''} order by s.id) - 1`;
    const rows = await tx.rows<{ why: RefusalCode | null; n: number }>(
      `with s as (${standingSql(chosen, order.channel)}),
         judged as (select s.*, ${base} + make_interval(mins => ((${turn}) / ${perMinute})::int) as due from s),
         put as (insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at, broadcast_id, template_id, template_version)
           select ${n(order.account_id)}::bigint, 'b' || ${n(id)}::text || '-' || j.id, ${n(order.channel)}::text, j.id, coalesce(j.owner_id, ${n(order.made_by)}::bigint), j.address, '{}', true, j.due, ${nowAt}, ${n(id)}::bigint, ${n(order.template_id)}::bigint, ${n(order.template_version)}::int
           from judged j where j.why is null order by j.due, j.id on conflict (key) do nothing)
       select why, count(*)::int as n from judged group by why`,
      bind,
    );
    const people = rows.find(({ why }) => why === null)?.n ?? 0;
    const leftOut = Object.fromEntries(rows.flatMap(({ why, n: count }) => (why ? [[why, count]] : [])));
    await tx.run(
      `update broadcasts set state = case when $2 = 0 then 'done' else 'going' end, ended_at = case when $2 = 0 then $4::timestamptz end, people = $2, left_out = $3::jsonb where id = $1`,
      [id, people, JSON.stringify(leftOut), at],
    );
    await publish(tx, { accountId: order.account_id, topic: 'message', ownerId: null });
    await wakeWorkers(tx);
  });
}

const failBroadcast = async (id: string, error: string): Promise<void> => {
  await reader().run(`update broadcasts set state = 'failed', error = $2 where id = $1 and state = 'filling'`, [id, error]);
};

/** @returns how many are done now */
async function endBroadcasts(): Promise<number> {
  return transact(async (tx) => {
    const rows = await tx.rows<{ account_id: string }>(
      `update broadcasts b set state = 'done', ended_at = $1 where b.state = 'going' and not exists (select 1 from outbox o where o.broadcast_id = b.id and o.state in ('waiting','sending','paused')) returning account_id`,
      [await now(tx)],
    );
    for (const accountId of new Set(rows.map(({ account_id }) => account_id)))
      await publish(tx, { accountId, topic: 'message', ownerId: null });
    return rows.length;
  });
}
