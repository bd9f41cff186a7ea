/** Today for one person (or, for those who run the office, for everybody): candidates by index, ranked in core. */
import type { TodayView } from '@/core/today';
import { localDay } from '@/core/shared';
import type { DateKind } from '@/core/contacts';
import { monthDays } from '@/core/segments';
import { rankToday, TODAY_GROUPS, type TodayCandidate } from '@/core/today';
import type { Scope } from '@/core/accounts';
import { isSentSql, DISPLAY_NAME, displayName, visible } from '../contacts';
import { inTurn, nameSql, now, reader, type Tx } from '../shared';

/** More than anybody works in a day; a list of thousands helps nobody. The count says how many there are. */
const MOST_PER_REASON = 60;

interface CandidateRow {
  id: string;
  name: string;
  stage: string;
  horizon: string | null;
  horizon_name: string | null;
  horizon_strokes: number;
  owner_name: string | null;
  hand_raised_at: Date | null;
  last_answer: string | null;
  last_answer_channel: string | null;
  arrived_at: Date;
  tried: boolean;
  ask: string | null;
  next_touch_at: Date | null;
  next_touch_kind: TodayCandidate['nextTouchKind'];
  next_touch_note: string | null;
  last_outcome: string | null;
  days: { kind: DateKind; label: string; year: number | null }[] | null;
}

/** An important date of theirs is today, and nobody wrote or called yet. `$DAYS` are today's month and day, `$DAY_START` its first instant. */
const THEIR_DAY = `exists (select 1 from contact_dates cd where cd.contact_id = c.id and cd.month_day = any($DAYS)) and (f.last_human_out_at is null or f.last_human_out_at < $DAY_START)`;

const REASONS = [
  { where: THEIR_DAY, order: 'c.id' },
  { where: 'c.hand_raised_at is not null', order: 'c.hand_raised_at' },
  { where: `c.stage = 'new' and f.last_human_out_at is null`, order: 'c.created_at desc' },
  { where: `c.next_touch_at <= $DAY_END and c.next_touch_kind in ('promise','call')`, order: 'c.next_touch_at' },
  {
    where: `c.next_touch_at <= $DAY_END and c.next_touch_kind = 'rhythm'`,
    order: `(select -strokes from horizons h where h.account_id = c.account_id and h.key = c.horizon), c.next_touch_at`,
  },
];

/** The ranked list. `userId` narrows it to one agent's people, as an agent's own scope does anyway. */
export async function readToday(
  scope: Scope,
  person: { id: string; timeZone: string; dayGoal: number },
  within?: Tx,
): Promise<TodayView> {
  const tx = within ? inTurn(within) : reader();
  const at = await now(tx);
  const day = localDay(at, person.timeZone);
  const bind: unknown[] = [];
  const where = `${visible(scope, bind)} and c.stage <> 'archived'`;
  bind.push(day.end);
  const dayEnd = `$${bind.length}::timestamptz`;
  const days = `$${bind.push(monthDays(at, person.timeZone, 0))}::int[]`;
  const dayStart = `$${bind.push(day.start)}::timestamptz`;
  const picks = REASONS.map(({ where: reason, order }) => {
    const condition = reason.replace('$DAY_END', dayEnd).replace('$DAYS', days).replace('$DAY_START', dayStart);
    return `(select c.id from contacts c join contact_facts f on f.contact_id = c.id where ${where} and ${condition} order by ${order} limit ${MOST_PER_REASON})`;
  });
  const reading = tx.rows<CandidateRow>(
    `with picked as (${picks.join(' union ')})
     select c.id, ${DISPLAY_NAME} as name, c.stage, c.horizon, h.name as horizon_name, coalesce(h.strokes, 0) as horizon_strokes,
       ${nameSql('u')} as owner_name, c.hand_raised_at, m.text as last_answer, m.channel as last_answer_channel, coalesce(f.last_inquiry_at, c.created_at) as arrived_at,
       f.last_human_out_at is not null as tried, i.ask, c.next_touch_at, c.next_touch_kind, t.note as next_touch_note, k.outcome as last_outcome, dd.days
     from picked join contacts c on c.id = picked.id join contact_facts f on f.contact_id = c.id left join users u on u.id = c.owner_id
     left join horizons h on h.account_id = c.account_id and h.key = c.horizon
     left join lateral (select data->>'text' as text, channel from activities where contact_id = c.id and kind = 'message' and direction = 'in' and c.hand_raised_at is not null order by at desc, id desc limit 1) m on true
     left join lateral (select parsed->>'ask' as ask from inquiries where contact_id = c.id and c.stage = 'new' order by arrived_at desc limit 1) i on true
     left join lateral (select note from tasks where contact_id = c.id and done_at is null order by due_at limit 1) t on true
     left join lateral (select outcome from calls where contact_id = c.id and c.next_touch_kind = 'rhythm' order by started_at desc limit 1) k on true
     left join lateral (select jsonb_agg(jsonb_build_object('kind', kind, 'label', label, 'year', year) order by id) as days from contact_dates where contact_id = c.id and month_day = any(${days}) and (f.last_human_out_at is null or f.last_human_out_at < ${dayStart})) dd on true`,
    bind,
  );
  const [rows, total, done] = await Promise.all([
    reading,
    countToday(scope, day, monthDays(at, person.timeZone, 0), tx),
    countDone(scope, person.id, day, tx),
  ]);
  const entries = rankToday(rows.map(candidateOf), at, day.end);
  return {
    groups: TODAY_GROUPS.map(({ key, name }) => ({
      key,
      name,
      entries: entries.filter((entry) => entry.reasons[0]!.group === key),
    })).filter((group) => group.entries.length),
    total,
    done,
    goal: person.dayGoal,
    now: at,
  };
}

const candidateOf = (row: CandidateRow): TodayCandidate => ({
  contactId: row.id,
  name: displayName(row.name),
  stage: row.stage,
  horizon: row.horizon,
  horizonName: row.horizon_name,
  horizonStrokes: row.horizon_strokes,
  ownerName: row.owner_name,
  handRaisedAt: row.hand_raised_at,
  lastAnswer: row.last_answer,
  lastAnswerChannel: row.last_answer_channel,
  arrivedAt: row.arrived_at,
  tried: row.tried,
  ask: row.ask,
  nextTouchAt: row.next_touch_at,
  nextTouchKind: row.next_touch_kind,
  nextTouchNote: row.next_touch_note,
  lastOutcome: row.last_outcome,
  days: row.days ?? [],
});

/** How many people are due by the end of the day. */
export async function countToday(
  scope: Scope,
  day: { start: Date; end: Date },
  today: number[],
  tx: Tx = reader(),
): Promise<number> {
  const bind: unknown[] = [];
  const where = `${visible(scope, bind)} and c.stage <> 'archived'`;
  const dayEnd = `$${bind.push(day.end)}`;
  const facts = 'join contact_facts f on f.contact_id = c.id';
  const theirs = THEIR_DAY.replace('$DAYS', `$${bind.push(today)}::int[]`).replace('$DAY_START', `$${bind.push(day.start)}`);
  /* Each reason by its own index: one condition for all of them would open everybody. */
  const row = await tx.first<{ n: number }>(
    `select count(*)::int as n from (
       select c.id from contacts c where ${where} and c.hand_raised_at is not null
       union select c.id from contacts c ${facts} where ${where} and c.stage = 'new' and f.last_human_out_at is null
       union select c.id from contacts c where ${where} and c.next_touch_at is not null and coalesce(c.next_touch_at, 'infinity') <= ${dayEnd}
       union select c.id from contacts c ${facts} where ${where} and ${theirs}) due`,
    bind,
  );
  return row!.n;
}

/** People this person called or wrote to by hand within the day. */
async function countDone(scope: Scope, userId: string, day: { start: Date; end: Date }, tx: Tx): Promise<number> {
  const row = await tx.first<{ n: number }>(
    `select count(distinct contact_id)::int as n from (
       select contact_id from calls where account_id = $1 and user_id = $2 and started_at between $3 and $4
       union all select contact_id from outbox where account_id = $1 and user_id = $2 and not automatic and ${isSentSql('channel')} and created_at between $3 and $4) touched`,
    [scope.accountId, userId, day.start, day.end],
  );
  return row!.n;
}
