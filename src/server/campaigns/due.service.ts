/**
 * Carrying out enrolments that are due, a batch at a time: claim, decide in core, write outbox rows, tasks, timeline and
 * the next step in one transaction. Any number of workers may run it at once; each row is claimed by one.
 */
import { decideTouch, type Campaign, type PermissionState, type TouchDecision, type TouchedContact } from '@/core/campaigns';
import { firstNamesTogether, type Activity, type Channel, type Stage } from '@/core/contacts';
import { ownField } from '@/core/messages';
import { showPhone } from '@/core/capture';
import { DEFAULT_SETTINGS, type Settings } from '@/core/accounts';
import { matches, type Known, type Tree } from '@/core/segments';
import { listFields, recordActivities } from '../contacts';
import { readKnown } from '../segments';
import { joinAsWritten, now, transact, type Tx } from '../shared';
import { applyChanges, type Owed } from './apply';
import { DATES, type Dates } from './enrol.service';
import { readVersions, type Version } from './versions';

interface DueRow {
  id: string;
  account_id: string;
  account_name: string;
  settings: Partial<Settings>;
  campaign_id: string;
  campaign: string;
  version_id: string;
  contact_id: string;
  step: number;
  round: number;
  last_at: Date | null;
  zone: string;
  started_at: Date;
  due_at: Date;
  planned_at: Date | null;
  owner_id: string | null;
  stage: Stage;
  time_zone: string;
  do_not_contact: boolean;
  first_name: string;
  last_name: string;
  street: string | null;
  city: string | null;
  postal_code: string | null;
  phone: string | null;
  phone_fault: string | null;
  email: string | null;
  email_fault: string | null;
  on_the_phone: boolean;
  permissions: Record<string, { state: PermissionState['state']; at: string; how: string }> | null;
  first_names: string[] | null;
  went: { at: string; channel: Channel }[];
  dates: Dates | null;
  last_in_at: Date | null;
  last_opened_at: Date | null;
  own_fields: Record<string, string> | null;
  agent_first: string | null;
  agent_last: string | null;
  agent_phone: string | null;
}

/** The account's own fields of a contact as words, by their names; read only when a campaign uses one. */
const OWN_FIELDS = `(select jsonb_object_agg(name, value) from (select d.name, string_agg(case d.kind when 'flag' then case when v.number = 1 then 'yes' else 'no' end when 'number' then trim_scale(v.number)::text
      when 'money' then to_char(v.number, 'FM999,999,999,999,990') when 'date' then to_char(v.day, 'FMDD Mon YYYY') when 'yearly' then to_char(to_date('2000' || lpad(v.month_day::text, 4, '0'), 'YYYYMMDD'), 'FMDD Mon')
      when 'contact' then (select trim(l.first_name || ' ' || l.last_name) from contacts l where l.id = v.linked_id) else v.words end, ', ' order by v.ordinal) as value
    from field_values v join fields d on d.id = v.field_id and d.deleted_at is null where v.contact_id = c.id group by d.name) own)`;

const CLAIM = `
  with due as (
    select e.* from enrolments e join campaigns p on p.id = e.campaign_id and p.state = 'on' join accounts a on a.id = e.account_id join contacts k on k.id = e.contact_id
    where e.state in ('active','paused') and e.due_at <= $1 and not k.campaigns_held and not coalesce((a.settings->>'campaignsHeld')::boolean, false)
    order by e.due_at, e.id limit $2 for update of e skip locked
  )
  select e.id, e.account_id, a.name as account_name, a.settings, a.time_zone as zone, e.campaign_id, p.name as campaign, e.version_id, e.contact_id, e.step, e.round, e.last_at, e.started_at, e.due_at, e.planned_at, c.owner_id, c.stage, c.time_zone, c.do_not_contact,
    c.first_name, c.last_name, c.street, c.city, c.postal_code, ph.value as phone, ph.fault as phone_fault, em.value as email, em.fault as email_fault,
    exists (select 1 from calls k where k.contact_id = c.id and k.state <> 'ended') as on_the_phone,
    f.went, f.last_in_at, f.last_opened_at, case when v.plan->>'steps' like '%"date"%' then ${DATES} end as dates,
    case when v.plan->>'steps' like '%first\\_names%' then (select array_agg(o.first_name order by o.id <> c.id, o.id) from contacts o where o.id = c.id or (o.household_id = c.household_id and o.deleted_at is null)) end as first_names,
    case when v.plan->>'steps' like '%field.%' then ${OWN_FIELDS} end as own_fields,
    (select jsonb_object_agg(channel, jsonb_build_object('state', state, 'at', at, 'how', how)) from permissions r
      where r.account_id = e.account_id and r.address = any(array[ph.value, em.value, 'person:' || c.id])) as permissions,
    u.first_name as agent_first, u.last_name as agent_last, u.phone as agent_phone
  from due e join campaigns p on p.id = e.campaign_id join campaign_versions v on v.id = e.version_id join contacts c on c.id = e.contact_id join contact_facts f on f.contact_id = c.id join accounts a on a.id = e.account_id left join users u on u.id = c.owner_id
  left join lateral (select value, fault from contact_points where contact_id = c.id and kind = 'phone' and active order by position, id limit 1) ph on true
  left join lateral (select value, fault from contact_points where contact_id = c.id and kind = 'email' and active order by position, id limit 1) em on true
  order by e.due_at, e.id`;

/** Carries out up to `limit` enrolments due by now. @returns how many there were; fewer than `limit` means that nothing more is due */
export async function carryOutDue(limit = 200): Promise<number> {
  return transact(async (tx) => {
    const at = await now(tx);
    await joinAsWritten(tx);
    const rows = await tx.rows<DueRow>(CLAIM, [at, limit]);
    if (!rows.length) return 0;
    const versions = await readVersions(
      tx,
      rows.map((row) => row.version_id),
    );
    const campaignOf = (row: DueRow): Campaign => ({ ...versions.get(row.version_id)!, id: row.campaign_id, name: row.campaign });
    const meets = await askedOf(tx, rows, versions, at);
    const decided = rows.map((row) => ({
      row,
      decision: decideTouch(campaignOf(row), enrolmentOf(row), contactOf(row, meets), settingsOf(row), at),
    }));
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
    return one !== undefined && matches(tree, one, { at, zone: row.zone }, fields.get(row.account_id));
  };
}

const settingsOf = (row: DueRow): Settings => ({ ...DEFAULT_SETTINGS, ...row.settings });
const enrolmentOf = (row: DueRow) => ({
  id: row.id,
  step: row.step,
  round: row.round,
  startedAt: row.started_at,
  lastAt: row.last_at,
  hasWaited: row.planned_at !== null && row.due_at > row.planned_at,
});

/** The mailing address in one line; null unless it is complete. */
export const mailingAddress = (row: { street: string | null; city: string | null; postal_code: string | null }): string | null =>
  row.street && row.city && row.postal_code ? `${row.street}, ${row.city} ${row.postal_code}` : null;

/** The agents are few and their numbers stay the same; formatting one takes as long as deciding a touch. */
const shownPhones = new Map<string, string>();
function agentPhone(phone: string): string {
  const known = shownPhones.get(phone) ?? showPhone(phone);
  if (shownPhones.size < 10_000) shownPhones.set(phone, known);
  return known;
}

function contactOf(row: DueRow, meets: (row: DueRow) => (tree: Tree) => boolean): TouchedContact {
  const permission = (channel: string): PermissionState | undefined => {
    const known = row.permissions?.[channel];
    return known && { state: known.state, at: new Date(known.at), how: known.how };
  };
  return {
    id: row.contact_id,
    ownerId: row.owner_id,
    stage: row.stage,
    timeZone: row.time_zone,
    doNotContact: row.do_not_contact,
    onThePhone: row.on_the_phone,
    phone: row.phone,
    phoneFault: row.phone_fault,
    email: row.email,
    emailFault: row.email_fault,
    mailingAddress: mailingAddress(row),
    permissions: {
      text: permission('text'),
      call: permission('call'),
      email: permission('email'),
      letter: permission('letter'),
    },
    touched: row.went.map(({ at, channel }) => ({ at: new Date(at), channel })),
    dates: row.dates ?? {},
    answeredAt: row.last_in_at,
    openedAt: row.last_opened_at,
    meets: meets(row),
    fields: {
      first_name: row.first_name,
      first_names: firstNamesTogether(row.first_names ?? [row.first_name]),
      last_name: row.last_name,
      town: row.city,
      agent_first_name: row.agent_first ?? row.account_name,
      agent_name: row.agent_first ? `${row.agent_first} ${row.agent_last}` : row.account_name,
      agent_phone: row.agent_phone ? agentPhone(row.agent_phone) : '',
      brokerage: row.account_name,
      ...Object.fromEntries(Object.entries(row.own_fields ?? {}).map(([name, value]) => [ownField(name), value])),
    },
  };
}

async function write(tx: Tx, decided: { row: DueRow; decision: TouchDecision }[], at: Date): Promise<void> {
  const effects = decided.flatMap(({ row, decision }) => decision.effects.map((effect) => ({ row, effect })));
  const sends = effects.flatMap(({ row, effect }) =>
    effect.do === 'send'
      ? [
          {
            account_id: row.account_id,
            key: effect.key,
            channel: effect.channel,
            contact_id: row.contact_id,
            enrolment_id: row.id,
            user_id: row.owner_id,
            address: effect.address,
            payload: { subject: effect.subject, text: effect.text, day: effect.day, step: effect.step },
          },
        ]
      : [],
  );
  const tasks = effects.flatMap(({ row, effect }) =>
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
  const next = decided.map(({ row, decision }) => {
    const { next } = decision;
    return next.state === 'active'
      ? {
          id: row.id,
          state: 'active',
          step: next.step,
          round: next.round,
          last_at: next.lastAt,
          due_at: next.dueAt,
          planned_at: next.waiting ? (row.planned_at ?? row.due_at) : next.dueAt,
          ended_at: null,
          because: null,
        }
      : {
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
  });
  await tx.run(
    `with sends as (
       insert into outbox (account_id, key, channel, contact_id, enrolment_id, user_id, address, payload, automatic, due_at, created_at)
       select account_id, key, channel, contact_id, enrolment_id, user_id, address, payload, true, $4, $4
       from jsonb_to_recordset($1::jsonb) as x (account_id bigint, key text, channel text, contact_id bigint, enrolment_id bigint, user_id bigint, address text, payload jsonb)
       on conflict (key) do nothing
     ), tasks as (
       insert into tasks (account_id, contact_id, user_id, kind, due_at, note, key, created_at, role)
       select x.account_id, x.contact_id, coalesce(case when x.role is not null then (select u.id from users u where u.account_id = x.account_id and u.role = x.role and u.active order by u.id limit 1) end, x.user_id), x.kind, $4, x.note, x.key, $4, x.role
       from jsonb_to_recordset($2::jsonb) as x (account_id bigint, contact_id bigint, user_id bigint, note text, key text, kind text, role text)
       on conflict (key) do nothing
     )
     update enrolments e set state = x.state, step = x.step, round = x.round, last_at = x.last_at, due_at = x.due_at, planned_at = x.planned_at, ended_at = x.ended_at, because = coalesce(x.because, e.because)
     from jsonb_to_recordset($3::jsonb) as x (id bigint, state text, step int, round int, last_at timestamptz, due_at timestamptz, planned_at timestamptz, ended_at timestamptz, because jsonb) where e.id = x.id`,
    [JSON.stringify(sends), JSON.stringify(tasks), JSON.stringify(next), at],
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

/** When the next enrolment falls due; null when none does. */
export async function nextDue(tx: Tx): Promise<Date | null> {
  const row = await tx.first<{ at: Date | null }>(
    `select e.due_at as at from enrolments e join campaigns p on p.id = e.campaign_id and p.state = 'on' join accounts a on a.id = e.account_id and not coalesce((a.settings->>'campaignsHeld')::boolean, false) join contacts k on k.id = e.contact_id and not k.campaigns_held where e.state in ('active','paused') order by e.due_at limit 1`,
  );
  return row?.at ?? null;
}
