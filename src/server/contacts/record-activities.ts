/**
 * The one function that records what happened to contacts. In the caller's transaction it appends the activities and, from
 * the same fold that `verify` uses, updates facts, stage, raised hand and next touch; an answer, an opt-out or a later
 * stage ends the follow-up here and nowhere else.
 */
import {
  foldFact,
  handRaisedAt,
  isAnswer,
  isAppointment,
  isConversation,
  isFollowedUp,
  isHumanTry,
  nextTouch,
  stageAfter,
  type Activity,
  type Facts,
  type Horizon,
  type Stage,
} from '@/core/contacts';
import type { LiveEvent } from '@/core/shared';
import { eventOf } from '@/core/webhooks';
import { publish, type Tx } from '../shared';
import { emitEvents, type EmittedEvent } from '../webhooks';
import { insertActivitiesSql } from './activities.sql';
import { FACT_COLUMNS, factsOfRow, rowOfFacts } from './facts.rows';
import { endFollowUp, type FollowUpEnd } from './follow-up';

interface ContactFacts {
  id: string;
  owner_id: string | null;
  office_id: string | null;
  stage: Stage;
  horizon: Horizon | null;
  created_at: Date;
  rhythm_days: number | null;
  task_due_at: Date | null;
  task_kind: 'promise' | 'call' | null;
}

/** Pages are told one by one up to here; a larger batch is told as one event. */
const TELL_EACH = 20;

/**
 * Records activities, in their order, and tells the pages that are open; `quietly` where the caller tells them.
 * @returns the ids of the activities given (not of those that follow from them)
 */
export async function recordActivities(
  tx: Tx,
  accountId: string,
  activities: Activity[],
  { quietly = false } = {},
): Promise<string[]> {
  if (!activities.length) return [];
  const folded = await foldActivities(tx, activities);
  const ids = await writeFolded(tx, accountId, folded);
  await answerOffers(tx, activities.filter(isHumanTry));
  await emitEvents(tx, accountId, folded.activities.flatMap(emitted));
  if (!quietly) await tell(tx, accountId, folded.states);
  return folded.given.map((at) => ids[at]!);
}

/** What other programs hear of an activity. */
const emitted = (activity: Activity): EmittedEvent[] => {
  const event = eventOf(activity);
  const { contactId: contact_id, at, userId: user_id, channel, direction, data } = activity;
  return event ? [{ event, about: { contact_id, at, user_id, data: { channel, direction, ...data } } }] : [];
};

/** What activities change, found and not written yet. */
interface Folded {
  states: ContactFacts[];
  changed: Changed[];
  /** Those given and those that follow from them, in their order. */
  activities: Activity[];
  /** The places of those given. */
  given: number[];
}

/** Folds activities, in their order, into how their contacts stand; follow-up that they end is ended. */
async function foldActivities(tx: Tx, activities: Activity[]): Promise<Folded> {
  const states = await readContactStates(tx, [...new Set(activities.map((activity) => activity.contactId))]);
  const all: Activity[] = [];
  const ends: FollowUpEnd[] = [];
  const given: number[] = [];
  const byContact = new Map(
    states.map((row): [string, Changed] => [
      row.id,
      { row, facts: factsOfRow(row), stage: row.stage, stageSince: null, at: activities[0]?.at ?? row.created_at },
    ]),
  );
  for (const activity of activities) {
    const contact = byContact.get(activity.contactId);
    if (!contact) continue;
    given.push(all.push(activity) - 1);
    contact.facts = foldFact(contact.facts, activity);
    contact.at = activity.at;
    const because = reasonToEnd(activity);
    if (because) ends.push({ contactId: activity.contactId, at: activity.at, ...because });
    const stage = activity.kind === 'stage' ? (activity.data.stage as Stage) : stageAfter(contact.stage, activity);
    if (stage !== contact.stage) {
      if (activity.kind !== 'stage') all.push(stageActivity(activity, contact.stage, stage));
      if (!isFollowedUp(stage)) ends.push({ contactId: activity.contactId, at: activity.at, why: 'stage_reached', stage });
      contact.stage = stage;
      contact.stageSince = activity.at;
    }
  }
  all.push(...(await endFollowUp(tx, ends)));
  return { states, changed: [...byContact.values()], activities: all, given };
}

const reasonToEnd = (
  activity: Activity,
): { why: 'answered' | 'opted_out'; channel: NonNullable<Activity['channel']> } | { why: 'appointment' } | null => {
  if (isAppointment(activity)) return { why: 'appointment' };
  if (isAnswer(activity)) return { why: 'answered', channel: activity.channel! };
  if (isConversation(activity)) return { why: 'answered', channel: 'call' };
  if (activity.data.optOut) return { why: 'opted_out', channel: activity.channel! };
  return null;
};

const stageActivity = (cause: Activity, from: Stage, to: Stage): Activity => ({
  contactId: cause.contactId,
  userId: null,
  at: cause.at,
  kind: 'stage',
  channel: null,
  direction: null,
  data: { fromStage: from, stage: to },
  because: null,
});

type LockedState = ContactFacts & Record<string, unknown>;

/**
 * How contacts stand, in the order of their ids; locked unless it is only to be looked at. The lock is a statement of its own:
 * whoever waits for it would otherwise read the tasks as they were before the wait.
 */
export async function readContactStates(tx: Tx, contactIds: string[], lock = true): Promise<LockedState[]> {
  if (lock) await tx.run('select 1 from contacts where id = any($1::bigint[]) order by id for update', [contactIds]);
  return tx.rows<LockedState>(
    `select c.id, c.owner_id, c.office_id, c.stage, c.horizon, c.created_at, c.hand_raised_at, c.next_touch_at, c.next_touch_kind, h.rhythm_days, t.due_at as task_due_at, t.kind as task_kind, ${FACT_COLUMNS.map((name) => `f.${name}`).join(', ')}
     from contacts c join contact_facts f on f.contact_id = c.id
     left join horizons h on h.account_id = c.account_id and h.key = c.horizon
     left join lateral (select due_at, kind from tasks where contact_id = c.id and done_at is null order by due_at limit 1) t on true
     where c.id = any($1::bigint[]) order by c.id ${lock ? 'for update of c, f' : ''}`,
    [contactIds],
  );
}

interface Changed {
  row: ContactFacts;
  facts: Facts;
  stage: Stage;
  stageSince: Date | null;
  at: Date;
}

/** What stands on the contact's own row beside the facts: derived here from the facts, and only here. */
export function derived(row: ContactFacts, facts: Facts, stage: Stage) {
  const task = row.task_due_at ? { dueAt: new Date(row.task_due_at), kind: row.task_kind! } : null;
  const rhythms = row.horizon && row.rhythm_days ? { [row.horizon]: row.rhythm_days } : {};
  const next = nextTouch(stage, row.horizon, task, facts.lastTouchAt ?? new Date(row.created_at), rhythms);
  return {
    stage,
    hand_raised_at: handRaisedAt(facts),
    last_touch_at: facts.lastTouchAt ?? new Date(0),
    next_touch_at: next?.at ?? null,
    next_touch_kind: next?.kind ?? null,
  };
}

/** How facts, and what is derived from them on the contact's own row, are written: common table expressions over `$1`, a list of {@link stateRow}. */
const STATES_WRITTEN = `change as (select * from jsonb_to_recordset($1::jsonb) as x (id bigint, stage text, stage_since timestamptz, hand_raised_at timestamptz, last_touch_at timestamptz, next_touch_at timestamptz,
       next_touch_kind text, at timestamptz, facts jsonb)),
     facts as (update contact_facts f set (${FACT_COLUMNS.join(', ')}) = (select ${FACT_COLUMNS.map((name) => `v.${name}`).join(', ')} from jsonb_populate_record(null::contact_facts, x.facts) v)
       from change x where f.contact_id = x.id),
     states as (update contacts c set stage = x.stage, stage_since = coalesce(x.stage_since, c.stage_since), hand_raised_at = x.hand_raised_at, last_touch_at = x.last_touch_at,
       next_touch_at = x.next_touch_at, next_touch_kind = x.next_touch_kind, updated_at = x.at from change x where c.id = x.id)`;

const stateRow = ({ row, facts, stage, stageSince, at }: Changed) => ({
  id: row.id,
  ...derived(row, facts, stage),
  stage_since: stageSince,
  at,
  facts: rowOfFacts(facts),
});

const writeStates = (tx: Tx, changed: Changed[]): Promise<void> =>
  tx.run(`with ${STATES_WRITTEN} select 1`, [JSON.stringify(changed.map(stateRow))]);

const LINES = insertActivitiesSql(
  `jsonb_to_recordset($3::jsonb) as a (n int, contact_id bigint, user_id bigint, at timestamptz, kind text, channel text, direction text, data jsonb, because jsonb) order by n`,
  {
    account: '$2',
    contact: 'contact_id',
    user: 'user_id',
    at: 'at',
    kind: { sql: 'kind' },
    channel: 'channel',
    direction: 'direction',
    data: 'data',
    because: 'because',
  },
);

/** Appends activities and writes how their contacts stand then. @returns the ids of the activities, in their order */
async function writeFolded(tx: Tx, accountId: string, { activities, changed }: Folded): Promise<string[]> {
  const lines = activities.map((activity, n) => ({
    n,
    contact_id: activity.contactId,
    user_id: activity.userId,
    at: activity.at,
    kind: activity.kind,
    channel: activity.channel,
    direction: activity.direction,
    data: activity.data,
    because: activity.because,
  }));
  const made = await tx.rows<{ id: string }>(
    `with ${STATES_WRITTEN},
     lines as (${LINES} returning id)
     select id from lines order by id`,
    [JSON.stringify(changed.map(stateRow)), accountId, JSON.stringify(lines)],
  );
  return made.map(({ id }) => id);
}

/** A person reached out: the timers of their waiting leads stop. */
async function answerOffers(tx: Tx, tries: Activity[]): Promise<void> {
  if (!tries.length) return;
  const first = new Map<string, Date>();
  for (const activity of tries) {
    const known = first.get(activity.contactId);
    if (!known || activity.at < known) first.set(activity.contactId, activity.at);
  }
  await tx.run(
    `with tried as (select * from jsonb_to_recordset($1::jsonb) as x (contact_id bigint, at timestamptz)),
      stamped as (update inquiries i set first_try_at = greatest(t.at, i.arrived_at) from tried t where i.contact_id = t.contact_id and i.first_try_at is null),
      taken_over as (update assistant_conversations k set state = 'stopped', last_at = t.at from tried t where k.contact_id = t.contact_id and k.state = 'open'),
      seen as (update contacts c set unread_at = null from tried t where c.id = t.contact_id and c.unread_at <= t.at)
     update offers o set answered_at = t.at from tried t where o.contact_id = t.contact_id and o.answered_at is null`,
    [JSON.stringify([...first].map(([contact_id, at]) => ({ contact_id, at })))],
  );
}

async function tell(tx: Tx, accountId: string, states: ContactFacts[]): Promise<void> {
  if (states.length > TELL_EACH) return publish(tx, { accountId, topic: 'contact', ownerId: null });
  await publish(
    tx,
    ...states.map((row): LiveEvent => ({
      accountId,
      topic: 'contact',
      contactId: row.id,
      ownerId: row.owner_id,
      officeId: row.office_id,
    })),
  );
}

/** Writes next touch, raised hand and the rest anew from facts and tasks, after something other than an activity changed (a task, a horizon). */
export async function restate(tx: Tx, contactIds: string[], at: Date): Promise<void> {
  const states = await readContactStates(tx, contactIds);
  await writeStates(
    tx,
    states.map((row) => ({ row, facts: factsOfRow(row), stage: row.stage, stageSince: null, at })),
  );
}
