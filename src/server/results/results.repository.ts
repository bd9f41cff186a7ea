/** The numbers of Results for a period, per agent and in all. The people behind each are found by the same condition (contacts/measured.ts). */
import { REACHED_SQL } from '@/core/calling';
import type { ResultRow, SpeedBy, SpeedRow } from '@/core/results';
import type { Scope } from '@/core/accounts';
import { FAST, HOUR_OF, isClientSql, ROSTER_OF, visible } from '../contacts';
import { nameSql, reader, type Tx } from '../shared';

export interface ResultsQuery {
  from: Date;
  to: Date;
  conversationSeconds: number;
}

interface Row {
  owner_id: string | null;
  name: string | null;
  leads: number;
  tried: number;
  fast: number;
  reached: number;
  conversations: number;
  clients: number;
  talk_seconds: number;
  median: number | null;
  everybody: number;
}

/** One row for all together (first, with agent null) and one per agent with leads in the period. */
export async function readResults(scope: Scope, query: ResultsQuery, tx: Tx = reader()): Promise<ResultRow[]> {
  const bind: unknown[] = [query.from, query.to, query.conversationSeconds];
  const where = visible(scope, bind);
  const rows = await tx.rows<Row>(
    `with leads as (
       select i.owner_id, i.contact_id, min(i.arrived_at) as arrived_at, bool_or(${FAST}) as fast, c.stage
       from inquiries i join contacts c on c.id = i.contact_id where i.arrived_at >= $1 and i.arrived_at < $2 and i.owner_id is not null and ${where} group by i.owner_id, i.contact_id, c.stage
     ), worked as (
       select l.*, k.tried, k.reached, k.talked, k.talk_seconds from leads l
       left join lateral (select bool_or(true) as tried, bool_or(outcome in ${REACHED_SQL}) as reached, bool_or(talk_seconds >= $3) as talked, sum(talk_seconds) as talk_seconds
         from calls where contact_id = l.contact_id and started_at >= l.arrived_at and direction = 'out' and outcome is not null) k on true
     ), speeds as (
       select i.owner_id, extract(epoch from i.first_try_at - i.arrived_at) as seconds from inquiries i join contacts c on c.id = i.contact_id
       where i.arrived_at >= $1 and i.arrived_at < $2 and i.first_try_at is not null and ${where}
     ), medians as (
       select owner_id, percentile_cont(0.5) within group (order by seconds) as median, grouping(owner_id) as everybody from speeds group by grouping sets ((owner_id), ())
     ), counted as (
       select owner_id, grouping(owner_id) as everybody, count(distinct contact_id)::int as leads, count(distinct contact_id) filter (where tried)::int as tried, count(distinct contact_id) filter (where fast)::int as fast, count(distinct contact_id) filter (where reached)::int as reached,
         count(distinct contact_id) filter (where talked)::int as conversations, count(distinct contact_id) filter (where ${isClientSql('stage')})::int as clients, coalesce(sum(talk_seconds), 0)::int as talk_seconds
       from worked group by grouping sets ((owner_id), ())
     )
     select n.*, ${nameSql('u')} as name, m.median from counted n left join users u on u.id = n.owner_id
     left join medians m on m.everybody = n.everybody and m.owner_id is not distinct from n.owner_id
     order by n.everybody desc, n.leads desc, name`,
    bind,
  );
  return rows.map((row) => ({
    agent: row.everybody ? null : { id: row.owner_id!, name: row.name ?? '' },
    leads: row.leads,
    tried: row.tried,
    fast: row.fast,
    reached: row.reached,
    conversations: row.conversations,
    clients: row.clients,
    talkSeconds: row.talk_seconds,
    medianSpeedSeconds: row.median === null ? null : Math.round(row.median),
  }));
}

const KEY: Record<SpeedBy, string> = {
  agent: 'i.owner_id::text',
  roster: `${ROSTER_OF}::text`,
  door: 'i.door_id::text',
  hour: HOUR_OF,
};
const NAME: Record<SpeedBy, string> = {
  agent: `(select ${nameSql()} from users where id::text = key)`,
  roster: '(select name from rosters where id::text = key)',
  door: '(select name from doors where id::text = key)',
  hour: 'key',
};

/** How soon leads of a period had a first try, by agent, roster, door or hour of the week; those with most leads first. */
export async function readSpeed(scope: Scope, by: SpeedBy, from: Date, to: Date): Promise<SpeedRow[]> {
  const bind: unknown[] = [from, to];
  const where = visible(scope, bind);
  return reader().rows<SpeedRow>(
    `select x.*, coalesce(${NAME[by]}, '') as name from (
       select ${KEY[by]} as key, count(distinct i.contact_id)::int as leads, count(distinct i.contact_id) filter (where ${FAST})::int as fast,
         round(percentile_cont(0.5) within group (order by extract(epoch from i.first_try_at - i.arrived_at)))::int as median_seconds
       from inquiries i join contacts c on c.id = i.contact_id where i.arrived_at >= $1 and i.arrived_at < $2 and i.owner_id is not null and ${where} group by 1) x
     where key is not null order by leads desc, key`,
    bind,
  );
}
