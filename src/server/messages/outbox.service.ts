/** The outbox after the hand-over: what came of each message, when the rest is tried again, and what does not get out. */
import { campaignsHeldSql } from '../accounts';
import { CHANNELS, type Activity, type Because } from '@/core/contacts';
import type { ParkedView, ProviderAnswer } from '@/core/messages';
import { pointKind, recordActivities } from '../contacts';
import { nameSql, publish, reader, transact, wakeWorkers, type Tx, type RowOf } from '../shared';
import type { outboxTable } from './outbox.model';
import { DEAD_AFTER_SECONDS } from './claim.service';

/** What came of handing a row to its provider. */
export type HandOver = { id: string } & ProviderAnswer;

/** After so many attempts a row is parked where an admin sees it. With the backoff below that is about four hours. */
const MOST_ATTEMPTS = 60;

/** Seconds until the next attempt: 1, 2, 4 … up to five minutes. On real time, because the outside is. */
export const backoffSeconds = (attempts: number): number => Math.min(300, 2 ** Math.min(10, attempts - 1));

/** Writes down what came of a batch: sent rows with their line in the timeline, refused ones with the error, the rest to try again. */
export async function completeOutbox(processId: string, results: HandOver[], at: Date): Promise<void> {
  if (!results.length) return;
  await transact(async (tx) => {
    const rows = await tx.rows<DoneRow>(
      `update outbox o set
         state = case x.result when 'accepted' then 'sent' when 'refused' then 'held' else case when o.attempts >= ${MOST_ATTEMPTS} then 'parked' else 'waiting' end end,
         sent_at = case when x.result = 'accepted' then $3::timestamptz end, receipt = x.receipt, error = x.error, leased_by = null, bounced_at = case when x.result = 'refused' then $3::timestamptz end,
         retry_at = case when x.result = 'later' then clock_timestamp() + make_interval(secs => x.wait) end
       from jsonb_to_recordset($1::jsonb) as x (id bigint, result text, receipt text, error text, wait int), contacts c, users u
       where o.id = x.id and o.state = 'sending' and o.leased_by = $2 and c.id = o.contact_id and (u.id = o.user_id or (o.user_id is null and u.id = (select min(id) from users where account_id = o.account_id)))
       returning o.id, o.account_id, o.contact_id, o.channel, o.address, o.payload, o.automatic, o.user_id, o.state, o.enrollment_id, o.attempts, x.result, x.error, u.phone as agent_phone, u.email as agent_email,
         (select p.name from enrollments e join campaigns p on p.id = e.campaign_id where e.id = o.enrollment_id) as campaign, (select b.name from broadcasts b where b.id = o.broadcast_id) as broadcast`,
      [
        JSON.stringify(results.map((result) => ({ ...result, wait: result.result === 'later' ? backoffSeconds(1) : null }))),
        processId,
        at,
      ],
    );
    await spaceRetries(tx, rows);
    await countTouches(
      tx,
      rows.filter((row) => row.automatic && row.result === 'accepted'),
      at,
    );
    for (const accountId of new Set(rows.map((row) => row.account_id))) {
      const own = rows.filter((row) => row.account_id === accountId && !CHANNELS[row.channel].isTask);
      await markBroken(
        tx,
        accountId,
        own.filter((row) => row.result === 'refused'),
      );
      await recordActivities(
        tx,
        accountId,
        own.flatMap((row) => lineOf(row, at)),
      );
      await publish(tx, { accountId, topic: 'message', ownerId: null });
    }
  });
}

type DoneRow = Pick<
  RowOf<typeof outboxTable>,
  | 'id'
  | 'account_id'
  | 'contact_id'
  | 'channel'
  | 'address'
  | 'payload'
  | 'automatic'
  | 'user_id'
  | 'state'
  | 'enrollment_id'
  | 'attempts'
  | 'error'
> & {
  result: HandOver['result'];
  agent_phone: string | null;
  agent_email: string | null;
  campaign: string | null;
  broadcast: string | null;
};

/** What went by itself counts for the caps; what is older than their longest span is forgotten. */
async function countTouches(tx: Tx, rows: DoneRow[], at: Date): Promise<void> {
  if (!rows.length) return;
  await tx.run(
    `with sent as (select contact_id, jsonb_agg(jsonb_build_object('at', $2::timestamptz, 'channel', channel)) as touches from jsonb_to_recordset($1::jsonb) as x (contact_id bigint, channel text) group by contact_id)
     update contact_facts f set went = (select coalesce(jsonb_agg(w), '[]') from jsonb_array_elements(f.went) w where (w->>'at')::timestamptz > $2::timestamptz - interval '30 days') || sent.touches
     from sent where f.contact_id = sent.contact_id`,
    [JSON.stringify(rows.map(({ contact_id, channel }) => ({ contact_id, channel }))), at],
  );
}

async function spaceRetries(tx: Tx, rows: DoneRow[]): Promise<void> {
  const later = rows.filter((row) => row.result === 'later' && row.attempts > 1);
  if (!later.length) return;
  await tx.run(
    `update outbox o set retry_at = clock_timestamp() + make_interval(secs => x.wait) from jsonb_to_recordset($1::jsonb) as x (id bigint, wait int) where o.id = x.id`,
    [JSON.stringify(later.map((row) => ({ id: row.id, wait: backoffSeconds(row.attempts) })))],
  );
}

const markBroken = async (tx: Tx, accountId: string, rows: DoneRow[]): Promise<void> => {
  if (!rows.length) return;
  await tx.run(
    `update contact_points p set error = x.error from jsonb_to_recordset($2::jsonb) as x (kind text, value text, error text) where p.account_id = $1 and p.kind = x.kind and p.value = x.value and p.active`,
    [accountId, JSON.stringify(rows.map((row) => ({ kind: pointKind(row.channel), value: row.address, error: row.error })))],
  );
};

function lineOf(row: DoneRow, at: Date): Activity[] {
  if (row.result === 'later') return [];
  const because: Because | null =
    row.result === 'refused'
      ? { why: 'refused', channel: row.channel, error: row.error ?? 'refused' }
      : row.campaign
        ? { why: 'campaign_day', campaign: row.campaign, day: row.payload.day ?? 0 }
        : row.broadcast
          ? { why: 'broadcast', broadcast: row.broadcast }
          : null;
  return [
    {
      contactId: row.contact_id,
      userId: row.automatic ? null : row.user_id,
      at,
      kind: row.result === 'refused' ? 'bounced' : 'message',
      channel: row.channel,
      direction: 'out',
      data: {
        text: row.payload.text,
        subject: row.payload.subject ?? undefined,
        to: row.address ?? undefined,
        from: (pointKind(row.channel) === 'phone' ? row.agent_phone : row.agent_email) ?? undefined,
        automatic: row.automatic || undefined,
        outboxId: row.id,
        campaign: row.campaign ?? undefined,
        day: row.campaign ? row.payload.day : undefined,
      },
      because,
    },
  ];
}

/** When the next row falls due that is not being retried; null when none is. */
export async function nextOutbox(tx: Tx): Promise<Date | null> {
  const row = await tx.first<{ at: Date }>(
    `select o.due_at as at from outbox o join accounts a on a.id = o.account_id join contacts k on k.id = o.contact_id left join broadcasts b on b.id = o.broadcast_id
     where o.state in ('waiting','sending') and o.due_at is not null and (b.id is null or b.state = 'going') and (o.retry_at is null or o.retry_at <= clock_timestamp()) and not (o.automatic and (k.campaigns_held or ${campaignsHeldSql('a')}))
     order by o.due_at limit 1`,
  );
  return row?.at ?? null;
}

/** True while a living process has rows in its hands that were due by an instant. */
export async function outboxInFlight(at: Date): Promise<boolean> {
  const row = await reader().first<{ busy: boolean }>(
    `select exists (select 1 from outbox o join processes p on p.id = o.leased_by where o.state = 'sending' and o.due_at <= $1
       and p.seen_at > clock_timestamp() - make_interval(secs => ${DEAD_AFTER_SECONDS})) as busy`,
    [at],
  );
  return row!.busy;
}

/** Messages that do not get out: parked, or being tried again. For those who run the office. */
export const listStuck = (accountId: string): Promise<ParkedView[]> =>
  reader().rows<ParkedView>(
    `select o.id, o.contact_id, ${nameSql('c')} as name, o.channel, coalesce(o.error, '') as error, o.attempts, o.state
     from outbox o join contacts c on c.id = o.contact_id where o.account_id = $1 and (o.state = 'parked' or (o.state = 'waiting' and o.attempts > 0)) order by o.id desc limit 100`,
    [accountId],
  );

/** Puts parked and waiting messages back at the front. @returns how many */
export const retryStuck = (accountId: string): Promise<number> =>
  transact(async (tx) => {
    const rows = await tx.rows(
      `update outbox set state = 'waiting', retry_at = null, attempts = 0 where account_id = $1 and (state = 'parked' or (state = 'waiting' and attempts > 0)) returning id`,
      [accountId],
    );
    await wakeWorkers(tx);
    return rows.length;
  });
