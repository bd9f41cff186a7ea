/**
 * Carrying out enrollments that are due, a batch at a time: claim, decide in core, write outbox rows, tasks, timeline and
 * the next step in one transaction. Any number of workers may run it at once; each row is claimed by one.
 */
import { campaignsHeldSql } from '../accounts';
import { decideTouch, type RunningCampaign, type TouchDecision, type TouchEffect } from '@/core/campaigns';
import type { Activity } from '@/core/contacts';
import { matches, type Known, type Tree } from '@/core/segments';
import { listFields, recordActivities } from '../contacts';
import { readKnown } from '../segments';
import { wordsFor } from '../templates';
import { joinAsWritten, now, transact, type Tx } from '../shared';
import { applyChanges, type Owed } from './apply';
import { loadSenderContext, type SenderContext } from './sender-context';
import { foreignTo } from './rights.sql';
import { contactOf, PERSON, PERSON_JOINS, type TouchedContactRow } from './contact.rows';
import { readVersions, type Version } from './versions';

interface DueRow extends TouchedContactRow {
  id: string;
  campaign_id: string;
  campaign: string;
  version_id: string;
  step: number;
  round: number;
  last_at: Date | null;
  started_at: Date;
  due_at: Date;
  planned_at: Date | null;
  asks_words: boolean;
  /** Whether who made the campaign may still do this for the contact. */
  allowed: boolean;
}

/** Whether the campaign runs. `is true` keeps it a list that is made once: joined, campaigns would decide in which order the rows are walked. */
const runs = (campaignId: string): string => `(${campaignId} in (select p.id from campaigns p where p.state = 'on')) is true`;

/**
 * Whether something else that goes by itself to the same person comes first: another enrollment that is due, or a message on its way.
 * One thing at a time is decided of a person, so that it does not depend on which worker is quicker.
 * `offset 0` makes the planner find what the person has first, and not by the times (migration 0022).
 */
const EARLIER = `(exists (select 1 from (select x.id, x.due_at, x.campaign_id from enrollments x where x.contact_id = e.contact_id and x.state in ('active','paused') offset 0) d
        where (d.due_at, d.id) < (e.due_at, e.id) and ${runs('d.campaign_id')})
      or exists (select 1 from (select x.due_at, x.retry_at from outbox x where x.contact_id = e.contact_id and x.automatic and x.state in ('waiting','sending') offset 0) o
        where o.due_at <= $1 and (o.retry_at is null or o.retry_at <= clock_timestamp())))`;

/* What else holds it is asked row by row, so that the rows are walked in the order in which they fall due, and no further than the batch is long. */
const CLAIM = `
  with due as (
    select e.id, e.account_id, e.contact_id, e.campaign_id, e.version_id, e.step, e.round, e.last_at, e.started_at, e.due_at, e.planned_at from enrollments e where e.state in ('active','paused') and e.due_at <= $1 and not ${EARLIER}
      and ${runs('e.campaign_id')} and (select not k.campaigns_held from contacts k where k.id = e.contact_id)
      and (e.account_id in (select a.id from accounts a where not ${campaignsHeldSql('a')})) is true
    order by e.due_at, e.id limit $2 for update skip locked
  )
  select e.id, e.campaign_id, p.name as campaign, e.version_id, e.step, e.round, e.last_at, e.started_at, e.due_at, e.planned_at, v.asks_words, not ${foreignTo('p', 'c')} as allowed,
    ${PERSON({ dates: 'true', household: 'v.asks_household or v.asks_words', fields: 'v.asks_fields or v.asks_words', listing: 'v.asks_listing or v.asks_words' })}
  from due e join campaigns p on p.id = e.campaign_id join campaign_versions v on v.id = e.version_id join contacts c on c.id = e.contact_id join contact_facts f on f.contact_id = c.id ${PERSON_JOINS}
  order by e.due_at, e.id`;

/** Carries out up to `limit` enrollments due by now. @returns how many there were; fewer than `limit` means that nothing more is due */
export async function carryOutDue(limit = 200): Promise<number> {
  return transact(async (tx) => {
    const at = await now(tx);
    await joinAsWritten(tx);
    const rows = await tx.rows<DueRow>(CLAIM, [at, limit]);
    if (!rows.length) return 0;
    const sender = await loadSenderContext(tx, rows);
    const versions = await readVersions(
      tx,
      rows.map((row) => row.version_id),
    );
    const wordsOf = await wordsFor(
      tx,
      rows.filter((row) => row.asks_words).map((row) => row.account_id),
    );
    const campaigns = new Map<string, RunningCampaign>();
    const campaignOf = (row: DueRow): RunningCampaign => {
      const known = campaigns.get(row.version_id);
      if (known) return known;
      const wording = { id: row.campaign_id, name: row.campaign, wordsOf: wordsOf.get(row.account_id) };
      const campaign = { ...versions.get(row.version_id)!, ...wording };
      campaigns.set(row.version_id, campaign);
      return campaign;
    };
    const meets = await askedOf(tx, rows, versions, sender, at);
    const decided = rows.map((row) => {
      if (!row.allowed) return { row, decision: NOT_THEIRS(row) };
      const contact = contactOf(row, sender, meets(row));
      const { settings } = sender.account(row.account_id);
      return { row, decision: decideTouch(campaignOf(row), enrollmentOf(row), contact, settings, at) };
    });
    await write(tx, decided, at);
    for (const accountId of new Set(rows.map((row) => row.account_id))) {
      const own = decided.filter(({ row }) => row.account_id === accountId);
      await recordActivities(
        tx,
        accountId,
        own.flatMap(({ row, decision }) => activitiesOf(row, decision, at)),
      );
      await applyChanges(
        tx,
        accountId,
        own.flatMap(({ row, decision }) => owedOf(row, decision)),
        at,
      );
    }
    return rows.length;
  });
}

/** Whether a segment's condition applies, for those whose campaign asks for one; what is known of them is read once. */
async function askedOf(
  tx: Tx,
  rows: DueRow[],
  versions: ReadonlyMap<string, Version>,
  sender: SenderContext,
  at: Date,
): Promise<(row: DueRow) => (tree: Tree) => boolean> {
  const asks = (row: DueRow): boolean =>
    [...versions.get(row.version_id)!.program.nodes.values()].some(
      ({ step }) => step.do === 'branch' && step.ask.about === 'segment',
    );
  const asked = rows.filter(asks);
  if (!asked.length) return () => () => false;
  const known = new Map<string, Known>();
  const fields = new Map<string, Awaited<ReturnType<typeof listFields>>>();
  for (const accountId of new Set(asked.map((row) => row.account_id))) {
    const ids = asked.filter((row) => row.account_id === accountId).map((row) => row.contact_id);
    for (const [id, one] of await readKnown(accountId, [...new Set(ids)], at, tx)) known.set(id, one);
    fields.set(accountId, await listFields(accountId, tx));
  }
  return (row) => (tree) => {
    const one = known.get(row.contact_id);
    const { zone } = sender.account(row.account_id);
    return one !== undefined && matches(tree, one, { at, zone }, fields.get(row.account_id));
  };
}

/** Whoever belongs to another agent since goes no further by an agent's own campaign. */
const NOT_THEIRS = ({ campaign }: DueRow): TouchDecision => ({
  effects: [],
  next: { state: 'finished', because: { why: 'not_theirs', campaign } },
});

const enrollmentOf = (row: DueRow) => ({
  id: row.id,
  step: row.step,
  round: row.round,
  startedAt: row.started_at,
  lastAt: row.last_at,
  hasWaited: row.planned_at !== null && row.due_at > row.planned_at,
});

/** What the first text of a conversation has beside its words. */
const TALK_TEXT: Pick<Extract<TouchEffect, { do: 'send' }>, 'channel' | 'subject' | 'html' | 'files' | 'template' | 'picks'> = {
  channel: 'text',
  subject: null,
  html: null,
  files: [],
  template: null,
  picks: [],
};

type Due = { row: DueRow; effect: TouchEffect };

/** Rows of the outbox. */
const sendsOf = (due: Due[]) =>
  due.flatMap(({ row, effect }) => {
    if (effect.do !== 'send' && effect.do !== 'talk') return [];
    const message = effect.do === 'send' ? effect : { ...TALK_TEXT, text: effect.text };
    return [
      {
        account_id: row.account_id,
        key: effect.key,
        channel: message.channel,
        contact_id: row.contact_id,
        enrollment_id: row.id,
        user_id: row.owner_id,
        address: effect.address,
        payload: {
          subject: message.subject,
          text: message.text,
          day: effect.day,
          step: effect.step,
          ...(effect.do === 'send' && effect.dated ? { dated: true } : {}),
          ...(message.html ? { html: message.html } : {}),
          ...(message.files.length ? { files: message.files } : {}),
        },
        template_id: message.template?.id ?? null,
        template_version: message.template?.version ?? null,
        picks: message.picks.length ? message.picks : null,
      },
    ];
  });

const tasksOf = (due: Due[]) =>
  due.flatMap(({ row, effect }) =>
    effect.do === 'task'
      ? [
          {
            account_id: row.account_id,
            contact_id: row.contact_id,
            user_id: row.owner_id,
            note: effect.note,
            key: effect.key,
            kind: effect.call ? 'call' : 'promise',
            role: effect.role === 'owner' ? null : effect.role,
          },
        ]
      : [],
  );

const conversationsOf = (due: Due[]) =>
  due.flatMap(({ row: { account_id, contact_id, id }, effect }) =>
    effect.do === 'talk' ? [{ account_id, contact_id, enrollment_id: id, flow: effect.flow, progress: effect.progress }] : [],
  );

/** Where an enrollment stands afterwards. */
function standingAfter(row: DueRow, { next }: TouchDecision, at: Date) {
  if (next.state === 'finished')
    return {
      id: row.id,
      state: 'finished',
      step: -1,
      round: row.round,
      last_at: at,
      due_at: null,
      planned_at: null,
      ended_at: at,
      because: next.because,
    };
  return {
    id: row.id,
    state: 'active',
    step: next.step,
    round: next.round,
    last_at: next.lastAt,
    due_at: next.dueAt,
    planned_at: next.waiting ? (row.planned_at ?? row.due_at) : next.dueAt,
    ended_at: null,
    because: null,
  };
}

async function write(tx: Tx, decided: { row: DueRow; decision: TouchDecision }[], at: Date): Promise<void> {
  const due = decided.flatMap(({ row, decision }) => decision.effects.map((effect) => ({ row, effect })));
  const conversations = conversationsOf(due);
  if (conversations.length)
    await tx.run(
      `insert into assistant_conversations (account_id, contact_id, enrollment_id, state, flow, progress, started_at, last_at) select account_id, contact_id, enrollment_id, 'open', flow, progress, $2, $2
       from jsonb_to_recordset($1::jsonb) as x (account_id bigint, contact_id bigint, enrollment_id bigint, flow jsonb, progress jsonb) on conflict do nothing`,
      [JSON.stringify(conversations), at],
    );
  const next = decided.map(({ row, decision }) => standingAfter(row, decision, at));
  await tx.run(
    `with sends as (
       insert into outbox (account_id, key, channel, contact_id, enrollment_id, user_id, address, payload, automatic, due_at, created_at, template_id, template_version, picks)
       select account_id, key, channel, contact_id, enrollment_id, user_id, address, payload, true, $4, $4, template_id, template_version, picks
       from jsonb_to_recordset($1::jsonb) as x (account_id bigint, key text, channel text, contact_id bigint, enrollment_id bigint, user_id bigint, address text, payload jsonb, template_id bigint, template_version int, picks text[])
       on conflict (key) do nothing
     ), tasks as (
       insert into tasks (account_id, contact_id, user_id, kind, due_at, note, key, created_at, role)
       select x.account_id, x.contact_id, coalesce(case when x.role is not null then (select u.id from users u where u.account_id = x.account_id and u.role = x.role and u.active order by u.id limit 1) end, x.user_id), x.kind, $4, x.note, x.key, $4, x.role
       from jsonb_to_recordset($2::jsonb) as x (account_id bigint, contact_id bigint, user_id bigint, note text, key text, kind text, role text)
       on conflict (key) do nothing
     )
     update enrollments e set state = x.state, step = x.step, round = x.round, last_at = x.last_at, due_at = x.due_at, planned_at = x.planned_at, ended_at = x.ended_at, because = coalesce(x.because, e.because)
     from jsonb_to_recordset($3::jsonb) as x (id bigint, state text, step int, round int, last_at timestamptz, due_at timestamptz, planned_at timestamptz, ended_at timestamptz, because jsonb) where e.id = x.id`,
    [JSON.stringify(sendsOf(due)), JSON.stringify(tasksOf(due)), JSON.stringify(next), at],
  );
}

function activitiesOf(row: DueRow, decision: TouchDecision, at: Date): Activity[] {
  const base = { contactId: row.contact_id, userId: null, at, direction: null };
  const data = { campaign: row.campaign, campaignId: row.campaign_id };
  const told = decision.effects.flatMap((effect): Activity[] => {
    if (effect.do === 'tell') return [{ ...base, kind: effect.kind, channel: effect.channel, data, because: effect.because }];
    if (effect.do === 'task')
      return [
        {
          ...base,
          kind: 'task',
          channel: effect.call ? 'call' : null,
          data: { ...data, text: effect.note, day: effect.day, dueAt: at.toISOString() },
          because: { why: 'campaign_day', campaign: row.campaign, day: effect.day },
        },
      ];
    return [];
  });
  if (decision.next.state === 'finished')
    told.push({ ...base, kind: 'finished', channel: null, data, because: decision.next.because });
  return told;
}

/** What the decision changes at the contact. */
const owedOf = (row: DueRow, decision: TouchDecision): Owed[] =>
  decision.effects.flatMap((effect) =>
    effect.do === 'change'
      ? [
          {
            contactId: row.contact_id,
            campaign: row.campaign,
            campaignId: row.campaign_id,
            day: effect.day,
            change: effect.change,
          },
        ]
      : [],
  );

/** When the next enrollment falls due; null when none does. */
export async function nextDue(tx: Tx): Promise<Date | null> {
  const row = await tx.first<{ at: Date | null }>(
    `select e.due_at as at from enrollments e join campaigns p on p.id = e.campaign_id and p.state = 'on' join accounts a on a.id = e.account_id and not ${campaignsHeldSql('a')} join contacts k on k.id = e.contact_id and not k.campaigns_held where e.state in ('active','paused') and e.due_at is not null order by e.due_at limit 1`,
  );
  return row?.at ?? null;
}
