/**
 * The outbox as it is claimed: everything that is to reach the outside world, once. Claiming takes a lease that ends with the
 * process that holds it; the check of the guardrails sits here, at the hand-over, and nothing goes around it. A row keeps its
 * key over all attempts, so that a provider which has seen it takes a repeat for the same message.
 */
import { campaignsHeldSql } from '../accounts';
import { connectedChannels, ownMailSql, withoutChannel } from './connected';
import { HOUR } from '@/core/shared';
import { settingsOf, type Settings } from '@/core/accounts';
import { mayTouch, UNKNOWN_PERMISSION, type PermissionState, type Verdict } from '@/core/campaigns';
import { CHANNELS, type Activity, type Channel } from '@/core/contacts';
import { fillFor, type Goes, type Words } from '@/core/messages';
import { readTouchedContacts } from '../campaigns';
import { anyLedgerAddressSql, mailingAddress, pointKind, pointKindSql, recordActivities, type contactsTable } from '../contacts';
import { nameSql, joinAsWritten, now, transact, type RowOf, type Tx } from '../shared';
import type { outboxTable } from './outbox.model';

export interface OutboxMessage {
  id: string;
  key: string;
  channel: Channel;
  to: string;
  attempts: number;
  subject: string | null;
  text: string;
  /** The body of an e-mail of blocks; null for one of text. */
  html: string | null;
  files: string[];
  /** Goes by itself, so that what is opened and clicked is counted. */
  automatic: boolean;
  /** A letter that the house prints itself. */
  printedHere: boolean;
  /** The instant by our clock at which it goes. */
  at: Date;
  contact: { id: string; name: string; accountId: string };
  agent: { name: string; email: string | null; phone: string | null };
  brokerage: string;
  /** Where the brokerage receives mail; empty when it is not set. */
  postalAddress: string;
  /** For e-mail: the contact point, whose unsubscribe link goes with it. */
  pointId: string | null;
  timeZone: string;
  callId: string | null;
}

type OfOutbox =
  | 'id'
  | 'account_id'
  | 'key'
  | 'channel'
  | 'contact_id'
  | 'enrollment_id'
  | 'user_id'
  | 'address'
  | 'payload'
  | 'automatic'
  | 'attempts'
  | 'created_at'
  | 'broadcast_id'
  | 'template_id';
type OfContact =
  'first_name' | 'last_name' | 'stage' | 'time_zone' | 'do_not_contact' | 'street' | 'city' | 'postal_code' | 'mailing';
interface ClaimRow extends Pick<RowOf<typeof outboxTable>, OfOutbox>, Pick<RowOf<typeof contactsTable>, OfContact> {
  enrollment_state: string | null;
  any_stage: boolean;
  went: { at: string; channel: Channel }[];
  broadcast_words: Words | null;
  goes: Goes | null;
  template: string | null;
  day_cap: number | null;
  template_sent: number | null;
  household_says_no: boolean;
  has_own_mail: boolean;
  settings: Partial<Settings>;
  account_name: string;
  last_in_at: Date | null;
  point_id: string | null;
  point_error: string | null;
  state: PermissionState['state'] | null;
  permission_at: Date | null;
  how: string | null;
  on_the_phone: boolean;
  agent_name: string | null;
  agent_email: string | null;
  agent_phone: string | null;
}

/** A process that has not been seen for this long (real time) is dead; what it held is free again. */
export const DEAD_AFTER_SECONDS = 10;
/**
 * Whether another message that goes by itself to the same person comes before `o`. One is in hand at a time, so that the caps and the gap
 * between texts are asked when the one before has gone, whichever worker has it; one that is being tried again holds nobody up.
 * `offset 0` makes the planner find what the person has first, and not by the times (migration 0022).
 */
const EARLIER = `exists (select 1 from (select x.due_at, x.key, x.retry_at from outbox x where x.contact_id = o.contact_id and x.automatic and x.state in ('waiting','sending') offset 0) p
      where (p.due_at, p.key) < (o.due_at, o.key) and (p.retry_at is null or p.retry_at <= clock_timestamp()))`;

/**
 * Rows that are due, locked. Of a person for whom another claims at this moment none is taken: that claim is not to be seen from here yet, and
 * what it takes need not come before in the order of their times. What a dead process had in its hands was cleared to go and goes first.
 */
const CLAIM = `
  with due as (
    select o.id, o.contact_id, o.automatic from outbox o where o.state in ('waiting','sending') and o.due_at <= $1 and (o.retry_at is null or o.retry_at <= clock_timestamp())
      and (o.broadcast_id is null or (select b.state = 'going' from broadcasts b where b.id = o.broadcast_id)) and not (o.automatic and o.state = 'waiting' and ${EARLIER})
      and (not o.automatic or ((select not k.campaigns_held from contacts k where k.id = o.contact_id) and (select not ${campaignsHeldSql('a')} from accounts a where a.id = o.account_id)))
      and (o.state = 'waiting' or not exists (select 1 from processes p where p.id = o.leased_by and p.seen_at > clock_timestamp() - make_interval(secs => ${DEAD_AFTER_SECONDS})))
    order by o.due_at, o.id limit $2 for update skip locked
  )
  select id from due where not automatic or pg_try_advisory_xact_lock(hashtextextended('in hand', contact_id))`;

/** What was handed over for the same person and not answered may have gone, and counts like what went, until it is known. */
const MAYBE = `coalesce((select jsonb_agg(jsonb_build_object('at', q.tried_at, 'channel', q.channel)) from outbox q
     where q.contact_id = o.contact_id and q.id <> o.id and q.automatic and q.state in ('waiting','parked') and q.tried_at > $1::timestamptz - interval '30 days'), '[]')`;

/**
 * What the judgement needs of rows that are locked, read after the locks were had: what another worker did for their people until then counts,
 * and while it has something in its hands for them, nothing else is taken.
 */
const READ = `
  select o.id, o.account_id, o.key, o.channel, o.contact_id, o.enrollment_id, e.state as enrollment_state, coalesce((select (v.plan->>'anyStage')::boolean from campaign_versions v where v.id = e.version_id), false) as any_stage, f.went || ${MAYBE} as went, o.user_id, o.address, o.payload, o.automatic, o.attempts, o.created_at, ${ownMailSql('a')} as has_own_mail, a.settings, a.name as account_name, o.broadcast_id, b.words as broadcast_words, b.goes,
    o.template_id, t.name as template, t.day_cap, case when t.day_cap is not null then (select count(*)::int from outbox s where s.template_id = t.id and s.sent_at >= (date_trunc('day', $1::timestamptz at time zone a.time_zone) at time zone a.time_zone)) end as template_sent,
    coalesce(h.do_not_contact, false) as household_says_no,
    c.first_name, c.last_name, c.stage, c.time_zone, c.do_not_contact, c.street, c.city, c.postal_code, c.mailing, f.last_in_at, p.id as point_id, p.error as point_error, r.state, r.at as permission_at, r.how,
    exists (select 1 from calls k where k.contact_id = c.id and k.state <> 'ended') as on_the_phone,
    ${nameSql('u')} as agent_name, u.email as agent_email, u.phone as agent_phone
  from outbox o join contacts c on c.id = o.contact_id join contact_facts f on f.contact_id = c.id join accounts a on a.id = o.account_id
  left join households h on h.id = c.household_id left join broadcasts b on b.id = o.broadcast_id left join templates t on t.id = o.template_id
  left join enrollments e on e.id = o.enrollment_id left join users u on u.id = o.user_id
  left join contact_points p on p.account_id = o.account_id and p.kind = ${pointKindSql('o.channel')} and p.value = o.address and p.contact_id = o.contact_id and p.active
  left join permissions r on r.account_id = o.account_id and r.address = ${anyLedgerAddressSql('o.channel', 'o.contact_id', 'o.address')} and r.channel = o.channel
  where o.id = any($2::bigint[]) and not (o.automatic and o.state = 'waiting' and exists (select 1 from outbox q where q.contact_id = o.contact_id and q.automatic and q.state = 'sending' and q.id <> o.id))
  order by o.due_at, o.id`;

/** Claims rows due by now for this process, holding back or putting off those that the guardrails say no to. @returns those to hand over, and whether anything was claimed at all */
export async function claimOutbox(processId: string, limit: number): Promise<{ messages: OutboxMessage[]; claimed: number }> {
  return transact(async (tx) => {
    const at = await now(tx);
    await joinAsWritten(tx);
    const locked = await tx.rows<{ id: string }>(CLAIM, [at, limit]);
    const rows = locked.length ? await tx.rows<ClaimRow>(READ, [at, locked.map(({ id }) => id)]) : [];
    if (!rows.length) return { messages: [], claimed: 0 };
    /* What goes of a template in this batch counts for what follows in it. */
    const ofTemplate = new Map<string, number>();
    const judged = rows.map((row) => {
      const before = row.went.map((one) => ({ at: new Date(one.at), channel: one.channel }));
      const sent = row.template_id ? (ofTemplate.get(row.template_id) ?? row.template_sent ?? 0) : 0;
      const verdict = judge(row, before, sent, at);
      if (verdict.go === true && row.template_id) ofTemplate.set(row.template_id, sent + 1);
      return { row, verdict };
    });
    const go = judged.filter(({ verdict }) => verdict.go === true).map(({ row }) => row);
    await tx.run(
      `update outbox set state = 'sending', leased_by = $2, attempts = attempts + 1, tried_at = $3 where id = any($1::bigint[])`,
      [go.map((row) => row.id), processId, at],
    );
    await addressBroadcasts(tx, go);
    await holdBack(tx, judged, at);
    return { messages: go.map((row) => messageOf(row, at)), claimed: rows.length };
  });
}

/** The words of broadcasts are filled in when they go, with what is known by then; what went stands on the row. */
async function addressBroadcasts(tx: Tx, rows: ClaimRow[]): Promise<void> {
  const own = rows.filter((row) => row.broadcast_words && row.payload.text === undefined);
  if (!own.length) return;
  const words = JSON.stringify(own.map((row) => row.broadcast_words));
  const people = await readTouchedContacts(tx, [...new Set(own.map((row) => row.contact_id))], {
    household: words.includes('first_names'),
    fields: words.includes('field.'),
    listing: words.includes('listing_'),
  });
  const rendered = own.map((row) => {
    const person = people.get(row.contact_id)!;
    const { subject, text, html, files, picks } = fillFor(row.channel, row.broadcast_words!, person.fields, {
      seed: row.key,
      textedBefore: person.textedBefore,
    });
    row.payload = { subject, text, ...(html ? { html } : {}), ...(files.length ? { files } : {}) };
    return { id: row.id, payload: row.payload, picks };
  });
  await tx.run(
    `update outbox o set payload = x.payload, picks = x.picks from jsonb_to_recordset($1::jsonb) as x (id bigint, payload jsonb, picks text[]) where o.id = x.id`,
    [JSON.stringify(rendered)],
  );
}

/** A letter goes where they live by now; the rest where the row says. */
const addressOf = (row: ClaimRow): string | null => (pointKind(row.channel) ? row.address : mailingAddress(row));

/** A letter that the house prints itself needs none. */
const isPrintedHere = ({ channel, goes }: ClaimRow): boolean => CHANNELS[channel].isPrinted && goes?.printed === 'here';
const hasWay = (row: ClaimRow): boolean =>
  connectedChannels()[row.channel] || (row.channel === 'email' && row.has_own_mail) || isPrintedHere(row);

function judge(row: ClaimRow, touched: { at: Date; channel: Channel }[], ofTemplate: number, at: Date): Verdict {
  const { isTask, needsPostalAddress } = CHANNELS[row.channel];
  if (isTask) return { go: true };
  if (!hasWay(row)) return withoutChannel(row.channel, row.automatic, row.created_at, at);
  if (row.automatic && !row.payload.talk && (row.enrollment_state === 'stopped' || row.enrollment_state === 'paused'))
    return { go: false, because: { why: 'has_answered', channel: row.channel } };
  if (needsPostalAddress && row.automatic && !row.payload.confirms && !row.settings.postalAddress?.trim())
    return {
      go: 'later',
      at: new Date(at.getTime() + HOUR),
      because: { why: 'no_postal_address', channel: row.channel },
    };
  return mayTouch(
    {
      channel: row.channel,
      automatic: row.automatic,
      answers: row.payload.talk,
      confirms: row.payload.confirms,
      dated: row.payload.dated || (row.goes !== null && row.goes.on !== 'now'),
      now: at,
      timeZone: row.time_zone,
      stage: row.stage,
      anyStage: row.any_stage || row.broadcast_id !== null,
      householdSaysNo: row.household_says_no,
      template: row.day_cap === null ? null : { name: row.template ?? '', cap: row.day_cap, sent: ofTemplate },
      touched,
      doNotContact: row.do_not_contact,
      address: addressOf(row),
      addressError: row.point_error,
      permission: row.state ? { state: row.state, at: row.permission_at, how: row.how } : UNKNOWN_PERMISSION,
      wroteAt: row.last_in_at,
      onThePhone: row.on_the_phone,
    },
    settingsOf(row.settings),
  );
}

async function holdBack(tx: Tx, judged: { row: ClaimRow; verdict: Verdict }[], at: Date): Promise<void> {
  const held = judged.filter(({ verdict }) => verdict.go !== true);
  if (!held.length) return;
  await tx.run(
    `update outbox o set state = x.state, due_at = coalesce(x.due_at, o.due_at), error = x.error, leased_by = null
     from jsonb_to_recordset($1::jsonb) as x (id bigint, state text, due_at timestamptz, error text) where o.id = x.id`,
    [
      JSON.stringify(
        held.map(({ row, verdict }) => ({
          id: row.id,
          state: verdict.go === 'later' ? 'waiting' : 'held',
          due_at: verdict.go === 'later' ? verdict.at : null,
          error: verdict.go === true ? null : verdict.because.why,
        })),
      ),
    ],
  );
  const tell = held.map(({ row, verdict }): [string, Activity] => [
    row.account_id,
    {
      contactId: row.contact_id,
      userId: null,
      at,
      kind: verdict.go === 'later' ? 'waits' : 'held',
      channel: row.channel,
      direction: null,
      data: { text: row.payload.text, outboxId: row.id },
      because: verdict.go === true ? null : verdict.because,
    },
  ]);
  for (const accountId of new Set(tell.map(([id]) => id)))
    await recordActivities(
      tx,
      accountId,
      tell.filter(([id]) => id === accountId).map(([, activity]) => activity),
    );
}

const messageOf = (row: ClaimRow, at: Date): OutboxMessage => ({
  id: row.id,
  key: row.key,
  channel: row.channel,
  to: addressOf(row)!,
  attempts: row.attempts + 1,
  subject: row.payload.subject ?? null,
  text: row.payload.text ?? '',
  html: row.payload.html ?? null,
  files: row.payload.files ?? [],
  automatic: row.automatic,
  printedHere: isPrintedHere(row),
  at,
  contact: {
    id: row.contact_id,
    name: row.payload.names ?? `${row.first_name} ${row.last_name}`.trim(),
    accountId: row.account_id,
  },
  agent: { name: row.agent_name ?? row.account_name, email: row.agent_email, phone: row.agent_phone },
  brokerage: row.account_name,
  postalAddress: row.settings.postalAddress?.trim() ?? '',
  pointId: row.point_id,
  timeZone: row.time_zone,
  callId: row.payload.callId ?? null,
});
