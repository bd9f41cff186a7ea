/** Rehearsals: ordered, carried out in the background a piece at a time, looked at. Nothing but the rehearsal's own rows is written. */
import { AppError, notFound } from '@/core/shared';
import { accountOf, type Principal } from '@/core/accounts';
import type { CleanInquiry } from '@/core/capture/schemas';
import {
  knownOfLead,
  leadOf,
  readyLadder,
  RoutingRehearsal,
  Tally,
  type Habits,
  type RehearsalOutcome,
  type PastInquiry,
  type RoutingForecast,
  type RehearsalView,
  type RehearsedInquiryView,
} from '@/core/routing';
import type { Known } from '@/core/segments';
import { readKnown } from '../segments';
import { nameSql, enqueue, now, publish, reader, transact, type Tx } from '../shared';
import { ladderNow } from './ladders';
import { checkLadder, rungsOf, type GivenLadder } from './ladder.service';
import { readRostersToHandOut } from './rosters.repository';
import { lastResort } from './walk.service';

/** Rehearsals that are kept; older ones go when another is ordered. */
const KEPT = 20;
const PIECE = 2_000;
const TELL_EVERY = 10_000;

/** Orders a rehearsal of a ladder over the inquiries of the last days. @throws AppError input_invalid */
export async function orderRehearsal(principal: Principal, days: number, input: unknown): Promise<{ id: string }> {
  const accountId = accountOf(principal);
  return transact(async (tx) => {
    const { given } = await checkLadder(tx, accountId, input);
    const at = await now(tx);
    await tx.run(
      'delete from rehearsals where account_id = $1 and id in (select id from rehearsals where account_id = $1 order by id desc offset $2)',
      [accountId, KEPT - 1],
    );
    const count = await tx.first<{ n: number }>(
      'select count(*)::int as n from inquiries where account_id = $1 and arrived_at >= $2 and arrived_at <= $3',
      [accountId, since(at, days), at],
    );
    const row = await tx.first<{ id: string }>(
      `insert into rehearsals (account_id, made_by, made_at, days, ladder, state, inquiries) values ($1, $2, $3, $4, $5::jsonb, 'waiting', $6) returning id`,
      [accountId, principal.kind === 'user' ? principal.user.id : null, at, days, JSON.stringify(given), count!.n],
    );
    await enqueue(tx, 'routing.rehearse', { rehearsalId: row!.id });
    return row!;
  });
}

const since = (at: Date, days: number): Date => new Date(at.getTime() - days * 86_400_000);

interface Row {
  id: string;
  account_id: string;
  made_at: Date;
  days: number;
  ladder: GivenLadder;
  state: RehearsalView['state'];
  inquiries: number;
  done: number;
  result: RoutingForecast | null;
  error: string | null;
}
const find = async (accountId: string, id: string): Promise<Row> => {
  const row = await reader().first<Row>('select * from rehearsals where id = $1 and account_id = $2', [id, accountId]);
  if (!row) throw notFound('rehearsal');
  return row;
};

export async function cancelRehearsal(principal: Principal, id: string): Promise<void> {
  const gone = await reader().rows(
    `update rehearsals set state = 'cancelled' where id = $1 and account_id = $2 and state in ('waiting','running') returning id`,
    [id, accountOf(principal)],
  );
  if (gone.length) return;
  await find(accountOf(principal), id);
  throw new AppError('conflict', 'This rehearsal has already ended.');
}

interface PastRow {
  id: string;
  contact_id: string;
  door_id: string;
  source: string | null;
  parsed: Partial<CleanInquiry>;
  matched: boolean;
  owner_id: string | null;
  rung_id: string | null;
  why: string;
  arrived_at: Date;
  /** To the microsecond, which a Date is not: where the next piece begins. */
  exactly: string;
}

/** Reads the inquiries of a span in the order in which they came, a piece at a time. */
async function* pastInquiries(accountId: string, from: Date, to: Date, piece: number): AsyncGenerator<PastRow[]> {
  let after: [string, string] = [from.toISOString(), '0'];
  for (;;) {
    const rows = await reader().rows<PastRow>(
      `select i.id, i.contact_id, i.door_id, i.source, i.parsed - 'message' - 'ask' as parsed, i.matched, i.owner_id, i.rung_id, i.because->>'why' as why, i.arrived_at, i.arrived_at::text as exactly
       from inquiries i where i.account_id = $1 and (i.arrived_at, i.id) > ($2::timestamptz, $3) and i.arrived_at <= $4 order by i.arrived_at, i.id limit $5`,
      [accountId, after[0], after[1], to, piece],
    );
    if (!rows.length) return;
    yield rows;
    const last = rows.at(-1)!;
    after = [last.exactly, last.id];
  }
}

/** How soon each agent accepted what was offered to them, or tried what they were given, in the span. */
async function readHabits(accountId: string, from: Date, to: Date): Promise<Habits> {
  const rows = await reader().rows<{ user_id: string; seconds: number[] }>(
    `select user_id, array_agg(case when took is null then 'Infinity'::float8 else took end) as seconds from (
       select o.user_id, case when o.state in ('accepted') then extract(epoch from o.taken_at - o.offered_at) when o.state = 'given' then extract(epoch from o.answered_at - o.offered_at) end::float8 as took,
         row_number() over (partition by o.user_id order by o.id desc) as nth
       from offers o where o.account_id = $1 and o.offered_at > $2 and o.offered_at <= $3 and o.state in ('accepted','given','lapsed','declined')) x
     where nth <= 500 group by user_id`,
    [accountId, from, to],
  );
  return new Map(rows.map(({ user_id, seconds }) => [user_id, seconds.map(Number)]));
}

const KEPT_BY = new Set(['returning', 'shares_address', 'kept_by_hand', 'source_assigned', 'own_listing', 'joined', 'handed_by']);

/**
 * Carries out a rehearsal. Begun again after a crash it starts anew.
 * @param going false when the process ends: the queue then gives it to another
 * @param piece how many inquiries are held in memory at a time
 */
export async function performRehearsal(id: string, going: () => boolean, piece = PIECE): Promise<void> {
  const row = await reader().first<Row>(
    `update rehearsals set state = 'running', done = 0 where id = $1 and state in ('waiting','running') returning *`,
    [id],
  );
  if (!row) return;
  const accountId = row.account_id;
  await reader().run('delete from rehearsal_outcomes where rehearsal_id = $1', [id]);
  const from = since(row.made_at, row.days);
  const [now, rosters, net, habits] = await Promise.all([
    ladderNow(reader(), accountId),
    readRostersToHandOut(accountId, row.made_at),
    lastResort(reader(), accountId),
    readHabits(accountId, from, row.made_at),
  ]);
  const changed = readyLadder({ rungs: rungsOf(row.ladder), ownListing: row.ladder.own_listing }, now.zone, now.fields);
  const [asIs, asChanged] = [now.ladder, changed].map(
    (ladder) => new RoutingRehearsal(ladder, rosters, net.userId, habits, now.zone),
  ) as [RoutingRehearsal, RoutingRehearsal];
  const asksPerson = now.ladder.asksPerson || changed.asksPerson;
  const tally = new Tally();
  let done = 0;
  for await (const rows of pastInquiries(accountId, from, row.made_at, piece)) {
    const persons = asksPerson
      ? await readKnown(accountId, [...new Set(rows.map(({ contact_id }) => contact_id))], row.made_at)
      : new Map<string, Known>();
    const saved: Kept[] = [];
    for (const one of rows) {
      const past = pastOf(one, persons.get(one.contact_id));
      const before = asIs.take(past);
      const after = asChanged.take(past);
      const moved = tally.add(past, before, after);
      if (!past.fixedTo) saved.push({ ...after, beforeId: before.agentId, moved });
    }
    await keepOutcomes(id, saved);
    done += rows.length;
    if (!(await reportDone(id, accountId, done)) || !going()) return;
  }
  await transact(async (tx) => {
    await tx.run(`update rehearsals set state = 'done', done = $2, result = $3::jsonb where id = $1 and state = 'running'`, [
      id,
      done,
      JSON.stringify(tally.result(rosters.values())),
    ]);
    await publish(tx, { accountId, topic: 'routing', ownerId: null });
  });
}

function pastOf(row: PastRow, person: Known | undefined): PastInquiry {
  return {
    id: row.id,
    at: row.arrived_at,
    known: knownOfLead(leadOf(row.door_id, row.parsed, row.source, row.matched), person),
    fixedTo: KEPT_BY.has(row.why) ? row.owner_id : null,
    agentId: row.owner_id,
    rungId: row.rung_id,
  };
}

type Kept = RehearsalOutcome & { beforeId: string; moved: boolean };
const keepOutcomes = (id: string, outcomes: Kept[]): Promise<void> =>
  reader().run(
    `insert into rehearsal_outcomes (rehearsal_id, inquiry_id, rung_id, before_id, user_id, seconds, moved)
     select $1, * from unnest($2::bigint[], $3::bigint[], $4::bigint[], $5::bigint[], $6::int[], $7::boolean[])`,
    [
      id,
      outcomes.map(({ inquiryId }) => inquiryId),
      /** A rung that is new has no number yet: its place is kept as a negative one. */
      outcomes.map(({ rungId }) => (rungId?.startsWith('new-') ? `-${rungId.slice(4)}` : rungId)),
      outcomes.map(({ beforeId }) => beforeId),
      outcomes.map(({ agentId }) => agentId),
      outcomes.map(({ seconds }) => Math.round(seconds)),
      outcomes.map(({ moved }) => moved),
    ],
  );

/** @returns false when it was cancelled */
async function reportDone(id: string, accountId: string, done: number): Promise<boolean> {
  const rows = await reader().rows(`update rehearsals set done = $2 where id = $1 and state = 'running' returning id`, [
    id,
    done,
  ]);
  if (done % TELL_EVERY === 0) await transact((tx: Tx) => publish(tx, { accountId, topic: 'routing', ownerId: null }));
  return rows.length > 0;
}

export const failRehearsal = (id: string, error: string): Promise<void> =>
  reader().run(`update rehearsals set state = 'failed', error = $2 where id = $1`, [id, error]);

/** A rehearsal with the names of whom it speaks. */
export async function findRehearsal(accountId: string, id: string): Promise<RehearsalView> {
  const row = await find(accountId, id);
  const names = await reader().rows<{ id: string; name: string }>(
    `select id, ${nameSql()} as name from users where account_id = $1`,
    [accountId],
  );
  const rosters = await reader().rows<{ id: string; name: string; hand_out: string }>(
    'select id, name, hand_out from rosters where account_id = $1',
    [accountId],
  );
  const nameOf = (userId: string | null) => names.find((one) => one.id === userId)?.name ?? 'nobody';
  const { result } = row;
  return {
    id,
    days: row.days,
    state: row.state,
    inquiries: row.inquiries,
    done: row.done,
    error: row.error,
    result: result && {
      ...result,
      rungs: row.ladder.rungs.map((rung, at) => {
        const key = rung.id ?? `new-${at + 1}`;
        const share = result.rungs.find((one) => one.id === key);
        return { id: key, position: at + 1, really: share?.really ?? 0, before: share?.before ?? 0, after: share?.after ?? 0 };
      }),
      gone: result.rungs
        .filter((share) => share.after === 0 && !row.ladder.rungs.some((rung) => rung.id === share.id))
        .reduce((sum, share) => ({ before: sum.before + share.before, after: 0 }), { before: 0, after: 0 }),
      agents: result.agents
        .map((share) => ({ ...share, name: nameOf(share.id) }))
        .sort((a, b) => b.after - a.after || a.name.localeCompare(b.name)),
      moves: result.moves
        .slice(0, 60)
        .map(({ from, to, n }) => ({ from: nameOf(from), from_id: from, to: nameOf(to), to_id: to, n })),
      fairness: result.fairness.flatMap(({ rosterId, before, after }) => {
        const roster = rosters.find((one) => one.id === rosterId);
        return roster ? [{ roster: roster.name, before, after }] : [];
      }),
    },
  };
}

/** Whom a rehearsal would have given what, the newest first: all, those with another agent, of one rung (by its place) or one agent. */
export async function listOutcomes(
  accountId: string,
  id: string,
  which: { moved?: boolean; agent?: string; from?: string; rung?: string },
  limit: number,
): Promise<RehearsedInquiryView[]> {
  await find(accountId, id);
  return reader().rows<RehearsedInquiryView>(
    `select o.inquiry_id, i.contact_id, ${nameSql('c')} as name, i.arrived_at, ${nameSql('w')} as really, ${nameSql('b')} as before, ${nameSql('a')} as after, o.seconds
     from rehearsal_outcomes o join inquiries i on i.id = o.inquiry_id join contacts c on c.id = i.contact_id left join users w on w.id = i.owner_id join users b on b.id = o.before_id join users a on a.id = o.user_id
     where o.rehearsal_id = $1 and c.deleted_at is null and (not $2 or o.moved) and ($3::bigint is null or o.user_id = $3) and ($4::bigint is null or o.before_id = $4) and ($5::bigint is null or o.rung_id = $5)
     order by o.inquiry_id desc limit $6`,
    [id, which.moved ?? false, which.agent ?? null, which.from ?? null, which.rung?.replace('new-', '-') ?? null, limit],
  );
}
