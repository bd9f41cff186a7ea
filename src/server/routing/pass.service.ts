/**
 * What happens to a lead after it arrived: a window ends, somebody accepts or declines, somebody leaves. The contact is locked first, then
 * its routing, then a roster, always in this order; so of a hundred who accept at once one has it and the others read who was first.
 */
import { AppError, howLong, notFound, type LiveEvent } from '@/core/shared';
import { accountOf, type Principal } from '@/core/accounts';
import type { Because, Stage } from '@/core/contacts';
import type { AnsweredBy, RoutingState, TraceStep } from '@/core/routing';
import { enrollArrived } from '../campaigns';
import { recordActivities } from '../contacts';
import { nameSql, now, publish, reader, transact, wakeWorkers, type Tx, type RowOf } from '../shared';
import type { offersTable } from './offers.model';
import { noticeAgents } from './agent-alerts.service';
import { lockRosters } from './rosters.repository';
import { handedLine, walk, type Handing } from './walk.service';

interface Routing {
  inquiry_id: string;
  account_id: string;
  contact_id: string;
  rung_id: string | null;
  roster_id: string | null;
  state: 'offered' | 'commons' | 'given' | 'settled';
  passing: RoutingState | null;
  ends_at: Date | null;
  begun_at: Date;
  position: number | null;
  who: string | null;
  campaign_id: string | null;
  notify: string[] | null;
  roster: string | null;
  try_seconds: number | null;
}

/** Locks the contact and its routing, and reads it. Null when it is gone. */
async function lockRouting(tx: Tx, inquiryId: string, contactId: string): Promise<Routing | null> {
  const there = await tx.first('select 1 from contacts where id = $1 for update', [contactId]);
  if (!there) return null;
  await tx.run('select 1 from routings where inquiry_id = $1 for update', [inquiryId]);
  return tx.first<Routing>(
    `select r.*, g.position, g.notify, coalesce(g.campaign_id, (select (d.defaults->>'campaign_id')::bigint from inquiries i join doors d on d.id = i.door_id where i.id = r.inquiry_id)) as campaign_id, s.name as roster, s.try_seconds,
       (select k->>'who' from ladder_versions v, jsonb_array_elements(v.rungs) k where v.id = r.version_id and (k->>'id')::bigint = r.rung_id limit 1) as who
     from routings r left join rungs g on g.id = r.rung_id left join rosters s on s.id = r.roster_id where r.inquiry_id = $1`,
    [inquiryId],
  );
}

const BATCH = 100;
/** A window whose end failed is tried again after this; the others do not wait for it. */
const AGAIN_SECONDS = 30;
/** Carries out every window that has ended. @returns how many */
export async function carryOutWindows(): Promise<number> {
  const at = await now();
  const due = await reader().rows<{ inquiry_id: string; contact_id: string }>(
    `select inquiry_id, contact_id from routings where ends_at <= $1 order by ends_at, inquiry_id limit ${BATCH}`,
    [at],
  );
  for (const { inquiry_id, contact_id } of due) {
    try {
      await transact((tx) => endWindow(tx, inquiry_id, contact_id));
    } catch (error) {
      if (error instanceof AppError && error.code === 'unavailable') throw error;
      console.error(`the window of inquiry ${inquiry_id} could not be ended and is tried again`, error);
      await reader().run('update routings set ends_at = $2 where inquiry_id = $1 and ends_at <= $3', [
        inquiry_id,
        new Date(at.getTime() + AGAIN_SECONDS * 1_000),
        at,
      ]);
    }
  }
  return due.length;
}

/** When the next window ends; null when none is open. */
export async function nextWindow(): Promise<Date | null> {
  const row = await reader().first<{ at: Date }>(
    'select ends_at as at from routings where ends_at is not null order by ends_at limit 1',
  );
  return row?.at ?? null;
}

async function endWindow(tx: Tx, inquiryId: string, contactId: string): Promise<void> {
  const routing = await lockRouting(tx, inquiryId, contactId);
  const at = await now(tx);
  if (!routing?.ends_at || routing.ends_at > at) return;
  if (routing.state === 'given' && (await isTried(tx, inquiryId))) return settle(tx, inquiryId);
  const names = await lapse(tx, inquiryId, routing.state === 'given' ? ['given', 'accepted'] : ['open']);
  const when = routing.ends_at.toISOString();
  const step: TraceStep =
    routing.state === 'given'
      ? { at: when, what: 'untried', agent: names[0] ?? 'the agent', seconds: routing.try_seconds ?? 0 }
      : { at: when, what: 'lapsed', to: names };
  await goOn(tx, routing, [step], at);
}

const isTried = async (tx: Tx, inquiryId: string): Promise<boolean> =>
  Boolean(
    await tx.first(
      `select 1 from inquiries i join contacts c on c.id = i.contact_id where i.id = $1 and (i.first_try_at is not null or c.deleted_at is not null or c.stage not in ('new','reaching'))`,
      [inquiryId],
    ),
  );
const settle = (tx: Tx, inquiryId: string): Promise<void> =>
  tx.run(`update routings set state = 'settled', ends_at = null where inquiry_id = $1`, [inquiryId]);
const lapse = async (tx: Tx, inquiryId: string, states: string[]): Promise<string[]> =>
  (
    await tx.rows<{ name: string }>(
      `update offers o set state = 'lapsed', ends_at = null from users u where o.inquiry_id = $1 and o.state = any($2::text[]) and u.id = o.user_id returning ${nameSql('u')} as name`,
      [inquiryId, states],
    )
  ).map(({ name }) => name);

/** The lead goes on to whoever is next, and what follows is written. */
async function goOn(tx: Tx, routing: Routing, before: TraceStep[], at: Date): Promise<void> {
  if (!routing.passing) return settle(tx, routing.inquiry_id);
  const rosters = await lockRosters(tx, [routing.passing.rosterId], at);
  const brought = { rung: routing.position, who: routing.who ?? '' };
  const handing = await walk(tx, routing.account_id, rosters, routing.passing, brought, at);
  await writeHanding(tx, routing, handing, before, at);
}

async function writeHanding(tx: Tx, routing: Routing, handing: Handing, before: TraceStep[], at: Date): Promise<void> {
  const { inquiry_id: inquiryId, contact_id: contactId, account_id: accountId } = routing;
  await tx.run(
    `update routings set state = $2, passing = $3::jsonb, ends_at = $4, roster_id = coalesce($5, roster_id), trace = jsonb_set(trace, '{steps}', trace->'steps' || $6::jsonb),
       owned_at = case when $7::bigint is null then owned_at else coalesce(owned_at, $8) end where inquiry_id = $1`,
    [
      inquiryId,
      handing.state,
      JSON.stringify(handing.passing),
      handing.endsAt,
      handing.rosterId,
      JSON.stringify([...before, ...handing.steps]),
      handing.owner?.userId ?? null,
      at,
    ],
  );
  if (handing.turn && handing.rosterId) await keepTurn(tx, handing);
  await tx.run(
    `insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, roster_id, ends_at, taken_at, commons, hides)
     select $1, $2, $3, u, $4, $5, $6, $7, $8, $9, $10::text[] from unnest($11::bigint[]) u`,
    [
      accountId,
      inquiryId,
      contactId,
      at,
      handing.owner ? 'given' : 'open',
      handing.rosterId,
      handing.owner ? null : handing.endsAt,
      handing.owner ? at : null,
      handing.state === 'commons',
      handing.owner ? [] : handing.hides,
      handing.owner ? [handing.owner.userId] : handing.to.map(({ userId }) => userId),
    ],
  );
  if (handing.owner) await own(tx, routing, handing.owner.userId, handing.because, at);
  await tell(
    tx,
    routing,
    handing.owner ? [handing.owner.userId] : handing.to.map(({ userId }) => userId),
    handing.owner?.userId ?? null,
  );
  await recordActivities(tx, accountId, [handedLine(contactId, handing.because, at)]);
  await noticeAgents(tx, { accountId, inquiryId, contactId, channels: routing.notify ?? [], at });
  await wakeWorkers(tx);
}

const keepTurn = (tx: Tx, { turn, rosterId, owner }: Handing): Promise<void> =>
  tx.run(
    `with turned as (update rosters set last_user_id = $2, credit = $3::jsonb where id = $1)
     update roster_members set handed = handed + 1 where roster_id = $1 and user_id = $4`,
    [rosterId, turn!.lastUserId, JSON.stringify(turn!.credit), owner?.userId ?? null],
  );

/** Somebody has the lead: the contact, its inquiries and its follow-up are theirs. */
async function own(tx: Tx, routing: Routing, userId: string, because: Because, at: Date): Promise<void> {
  const { contact_id: contactId, inquiry_id: inquiryId, account_id: accountId } = routing;
  await tx.run(
    `with owned as (update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $3 from users u where c.id = $1 and u.id = $2),
       joined as (update routings r set owned_at = coalesce(owned_at, $3), trace = jsonb_set(trace, '{steps,0,agent}', to_jsonb((select ${nameSql()} from users where id = $2)))
         where r.contact_id = $1 and r.trace->'steps'->0->>'what' = 'joined' and r.owned_at is null),
       ended as (update routings r set state = 'settled', ends_at = null, owned_at = coalesce(r.owned_at, $3),
           trace = jsonb_set(r.trace, '{steps}', r.trace->'steps' || jsonb_build_array(jsonb_build_object('at', $3::timestamptz, 'what', 'joined', 'agent', (select ${nameSql()} from users where id = $2))))
         where r.contact_id = $1 and r.inquiry_id <> $4 and r.state in ('offered','commons')),
       withdrawn as (update offers set state = 'withdrawn', ends_at = null where contact_id = $1 and inquiry_id <> $4 and state = 'open')
     update inquiries set owner_id = $2, because = case when id = $4 then $5::jsonb else because end where contact_id = $1 and (id = $4 or owner_id is null)`,
    [contactId, userId, at, inquiryId, JSON.stringify(because)],
  );
  if (!routing.campaign_id) return;
  const contact = await tx.first<{ stage: Stage; time_zone: string; on_the_phone: boolean; in_it: boolean }>(
    `select c.stage, c.time_zone, coalesce((i.parsed->>'onThePhone')::boolean, false) as on_the_phone,
       exists (select 1 from enrollments e where e.contact_id = c.id and e.campaign_id = $3 and e.started_at >= i.arrived_at) as in_it
     from inquiries i join contacts c on c.id = i.contact_id where i.id = $1 and c.id = $2`,
    [inquiryId, contactId, routing.campaign_id],
  );
  if (!contact || contact.in_it) return;
  const enrolled = await enrollArrived(
    tx,
    accountId,
    routing.campaign_id,
    { contactId, stage: contact.stage, timeZone: contact.time_zone, onThePhone: contact.on_the_phone },
    at,
  );
  await recordActivities(tx, accountId, enrolled);
}

const tell = (tx: Tx, routing: Routing, userIds: string[], ownerId: string | null): Promise<void> => {
  const event: LiveEvent = {
    accountId: routing.account_id,
    topic: ownerId ? 'lead' : 'offer',
    contactId: routing.contact_id,
    ownerId: ownerId ?? '0',
    userIds,
  };
  return publish(tx, event);
};

type OfferRow = Pick<
  RowOf<typeof offersTable>,
  'id' | 'inquiry_id' | 'contact_id' | 'user_id' | 'state' | 'ends_at' | 'offered_at'
> & {
  agent: string;
};
const findOffer = (tx: Tx, accountId: string, offerId: string): Promise<OfferRow | null> =>
  tx.first<OfferRow>(
    `select o.id, o.inquiry_id, o.contact_id, o.user_id, o.state, o.ends_at, o.offered_at, ${nameSql('u')} as agent
     from offers o join users u on u.id = o.user_id where o.id = $2 and o.account_id = $1`,
    [accountId, offerId],
  );

export interface Accepted {
  contact_id: string;
  name: string;
}

/**
 * Accepts an offer for the person it was made to. Accepting again answers as the first time.
 * @throws AppError conflict with who was first, or that the window has ended
 */
export async function acceptOffer(principal: Principal, offerId: string, by: AnsweredBy = 'page'): Promise<Accepted> {
  const answer = await transact(async (tx) => {
    const offer = await findOffer(tx, accountOf(principal), offerId);
    if (!offer || (principal.kind === 'user' && offer.user_id !== principal.user.id)) throw notFound('offer');
    const routing = await lockRouting(tx, offer.inquiry_id, offer.contact_id);
    const held = (await findOffer(tx, accountOf(principal), offerId))!;
    const at = await now(tx);
    if (!routing) throw notFound('offer');
    if (held.state === 'accepted') return { accepted: await nameOf(tx, held.contact_id) };
    if (held.state !== 'open') return { refused: await whoHasIt(tx, held) };
    if (held.ends_at && held.ends_at <= at) {
      /** The window is over though nobody carried it out yet: it is carried out now, and the refusal stands. */
      await endWindow(tx, held.inquiry_id, held.contact_id);
      return { refused: await whoHasIt(tx, { ...held, state: 'lapsed' }) };
    }
    await take(tx, routing, held, by, at);
    return { accepted: await nameOf(tx, held.contact_id) };
  });
  if (answer.refused) throw new AppError('conflict', answer.refused);
  return answer.accepted!;
}

async function take(tx: Tx, routing: Routing, offer: OfferRow, by: AnsweredBy, at: Date): Promise<void> {
  const others = await tx.rows<{ user_id: string }>(
    `update offers set state = case when id = $2 then 'accepted' else 'lost' end, ends_at = null, taken_at = case when id = $2 then $3::timestamptz end
     where inquiry_id = $1 and state = 'open' returning user_id`,
    [offer.inquiry_id, offer.id, at],
  );
  const seconds = Math.round((at.getTime() - offer.offered_at.getTime()) / 1_000);
  const of = others.length;
  const untilTried = routing.try_seconds;
  await tx.run(
    `update routings set state = $2, ends_at = $3, owned_at = coalesce(owned_at, $4), trace = jsonb_set(trace, '{steps}', trace->'steps' || $5::jsonb) where inquiry_id = $1`,
    [
      offer.inquiry_id,
      untilTried === null ? 'settled' : 'given',
      untilTried === null ? null : new Date(at.getTime() + untilTried * 1_000),
      at,
      JSON.stringify([{ at: at.toISOString(), what: 'accepted', agent: offer.agent, by, after: seconds, of }]),
    ],
  );
  if (routing.roster_id)
    await tx.run('update roster_members set handed = handed + 1 where roster_id = $1 and user_id = $2', [
      routing.roster_id,
      offer.user_id,
    ]);
  const because: Because = { why: 'claimed', roster: routing.roster ?? 'the roster', agent: offer.agent, seconds, of };
  await own(tx, routing, offer.user_id, because, at);
  await tell(
    tx,
    routing,
    others.map(({ user_id }) => user_id),
    offer.user_id,
  );
  await recordActivities(tx, routing.account_id, [handedLine(routing.contact_id, because, at)]);
  await wakeWorkers(tx);
}

/** Declines an offer; when nobody is left who could accept, the lead goes on at once. */
export async function declineOffer(principal: Principal, offerId: string, by: AnsweredBy = 'page'): Promise<void> {
  await transact(async (tx) => {
    const offer = await findOffer(tx, accountOf(principal), offerId);
    if (!offer || (principal.kind === 'user' && offer.user_id !== principal.user.id)) throw notFound('offer');
    const routing = await lockRouting(tx, offer.inquiry_id, offer.contact_id);
    const at = await now(tx);
    if (routing)
      await dropOut(tx, routing, offer.id, { at: at.toISOString(), what: 'declined', agent: offer.agent, by }, 'declined', at);
  });
}

async function dropOut(
  tx: Tx,
  routing: Routing,
  offerId: string,
  step: TraceStep,
  state: 'declined' | 'withdrawn',
  at: Date,
): Promise<void> {
  const gone = await tx.rows(`update offers set state = $2, ends_at = null where id = $1 and state = 'open' returning id`, [
    offerId,
    state,
  ]);
  if (!gone.length) return;
  const left = await tx.first(`select 1 from offers where inquiry_id = $1 and state = 'open' limit 1`, [routing.inquiry_id]);
  if (left)
    await tx.run(`update routings set trace = jsonb_set(trace, '{steps}', trace->'steps' || $2::jsonb) where inquiry_id = $1`, [
      routing.inquiry_id,
      JSON.stringify([step]),
    ]);
  else await goOn(tx, routing, [step], at);
  await publish(tx, { accountId: routing.account_id, topic: 'routing', ownerId: null });
}

/** Whatever was offered to somebody who has left, or left the roster, goes on. */
export async function dropOffersOf(accountId: string, userId: string, rosterId: string | null = null): Promise<void> {
  const open = await reader().rows<{ id: string; inquiry_id: string; contact_id: string }>(
    `select id, inquiry_id, contact_id from offers where account_id = $1 and user_id = $2 and state = 'open' and ($3::bigint is null or roster_id = $3)`,
    [accountId, userId, rosterId],
  );
  for (const { id, inquiry_id, contact_id } of open)
    await transact(async (tx) => {
      const routing = await lockRouting(tx, inquiry_id, contact_id);
      const offer = await findOffer(tx, accountId, id);
      const at = await now(tx);
      if (routing && offer)
        await dropOut(tx, routing, id, { at: at.toISOString(), what: 'left', agent: offer.agent }, 'withdrawn', at);
    });
}

const nameOf = async (tx: Tx, contactId: string): Promise<Accepted> => {
  const row = await tx.first<{ name: string }>(`select ${nameSql()} as name from contacts where id = $1`, [contactId]);
  return { contact_id: contactId, name: row?.name ?? '' };
};

/** What somebody reads who came too late. */
async function whoHasIt(tx: Tx, offer: OfferRow): Promise<string> {
  const winner = await tx.first<{ name: string; after: number }>(
    `select ${nameSql('u')} as name, extract(epoch from o.taken_at - o.offered_at)::int as after
     from offers o join users u on u.id = o.user_id where o.inquiry_id = $1 and o.state in ('accepted','given') and o.taken_at is not null order by o.taken_at desc limit 1`,
    [offer.inquiry_id],
  );
  if (offer.state === 'lost' && winner)
    return `${winner.name} was first, ${winner.after < 1 ? 'at once' : `after ${howLong(winner.after * 1_000)}`}. The lead is theirs.`;
  if (offer.state === 'declined') return 'You declined this lead.';
  if (offer.state === 'withdrawn') return winner ? `The lead was handed to ${winner.name}.` : 'This lead is no longer available.';
  return winner ? `Time ran out: ${winner.name} has the lead now.` : 'Time ran out, and the lead moved on to someone else.';
}
