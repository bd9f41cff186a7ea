/**
 * Word to agents outside the pages: a text, an e-mail or a call that a lead is theirs or is offered to them. Each goes once, by its key. A reply
 * to the text or the mail accepts or declines; what follows from it is told by the same way.
 */
import { AppError } from '@/core/shared';
import { time as clockTime } from '@/core/format';
import { answerOf, type Notify } from '@/core/routing';
import type { User } from '@/core/accounts';
import { nameSql, config, enqueueAll, mailToken, now, reader, readMailToken, transact, type Tx } from '../shared';

const OFFER_PURPOSE = 'offer';
/** A text that comes later than this after an offer is about something else. */
const ANSWERED_WITHIN_MS = 86_400_000;

interface Told {
  accountId: string;
  inquiryId: string;
  contactId: string;
  channels: readonly string[];
  at: Date;
}
interface OfferToTell {
  offer_id: string;
  user_id: string;
  zone: string;
  state: 'open' | 'given';
  ends_at: Date | null;
  hides: string[];
  name: string;
  source: string | null;
  city: string | null;
  ask: string | null;
  roster: string | null;
  phones: string[];
}

/** Tells whoever has the lead now, or to whom it is offered now, by the rung's channels. Nobody is told of what lies in the commons. */
export async function noticeAgents(tx: Tx, { accountId, inquiryId, channels, at }: Told): Promise<void> {
  if (!channels.length) return;
  const offers = await tx.rows<OfferToTell>(
    `select o.id as offer_id, o.user_id, u.time_zone as zone, o.state, o.ends_at, o.hides, ${nameSql('c')} as name, i.source, c.city, i.parsed->>'ask' as ask, r.name as roster,
       array(select value from contact_points p where p.contact_id = c.id and p.kind = 'phone' and p.active order by position) as phones
     from offers o join users u on u.id = o.user_id join contacts c on c.id = o.contact_id join inquiries i on i.id = o.inquiry_id left join rosters r on r.id = o.roster_id
     where o.inquiry_id = $1 and o.offered_at = $2 and not o.commons and o.state in ('open','given')`,
    [inquiryId, at],
  );
  await tellAll(
    tx,
    accountId,
    offers.flatMap((offer) =>
      (channels as Notify[]).map((channel) => ({
        ...{ user_id: offer.user_id, offer_id: offer.offer_id, channel },
        ...wordsOf(offer, channel),
      })),
    ),
    at,
  );
}

/** By each channel, how much of what they ask is told, and how the offer is answered. */
const ALERTS: Record<Notify, { mostOfAsk: number; reply: (offer: OfferToTell) => string }> = {
  call: { mostOfAsk: 0, reply: () => 'Open Urraca to take it.' },
  text: { mostOfAsk: 80, reply: (offer) => `Reply 1 to take it, 0 to pass (no. ${offer.offer_id}).` },
  email: { mostOfAsk: 600, reply: () => 'Reply “take” to take it, or “pass”.' },
};

function wordsOf(offer: OfferToTell, channel: Notify): { subject: string; body: string } {
  const who = offer.hides.includes('name') && offer.state === 'open' ? 'A lead' : offer.name || 'A lead';
  const from = offer.source && !(offer.hides.includes('source') && offer.state === 'open') ? ` from ${offer.source}` : '';
  const place = offer.city ? `, ${offer.city}` : '';
  const { mostOfAsk, reply } = ALERTS[channel];
  const ask = offer.ask && mostOfAsk ? `: ${offer.ask.slice(0, mostOfAsk)}` : '';
  if (offer.state === 'given')
    return {
      subject: `A new lead: ${who}`,
      body: `${who}${from}${place} is yours${offer.phones[0] ? `, ${offer.phones[0]}` : ''}${ask}`,
    };
  const until = offer.ends_at ? ` until ${clockTime(offer.ends_at, offer.zone)}` : '';
  return { subject: `A lead for you${place}`, body: `${who}${from}${place} is offered to you${until}${ask}\n${reply(offer)}` };
}

interface Word {
  user_id: string;
  offer_id: string | null;
  channel: Notify;
  subject: string;
  body: string;
}

/** Keeps what is to be told and has the worker tell it: in two statements for however many, because a roster may be locked meanwhile. */
export async function tellAll(tx: Tx, accountId: string, words: Word[], at: Date): Promise<void> {
  const rows = await tx.rows<{ id: string }>(
    `insert into agent_alerts (account_id, user_id, offer_id, channel, subject, body, made_at)
     select $1, user_id, offer_id, channel, subject, body, $3 from jsonb_to_recordset($2::jsonb) as x (user_id bigint, offer_id bigint, channel text, subject text, body text) returning id`,
    [accountId, JSON.stringify(words), at],
  );
  await enqueueAll(
    tx,
    'routing.notice',
    rows.map(({ id }) => ({ noticeId: id })),
  );
}

export interface AgentAlert {
  id: string;
  account_id: string;
  channel: Notify;
  subject: string;
  body: string;
  made_at: Date;
  agent: string;
  email: string;
  phone: string | null;
  /** A number of the house that is not the agent's own. */
  house_phone: string | null;
  brokerage: string;
  reply_to: string | null;
}

/** A notice that has not gone yet; null when it has. */
export async function findAgentAlert(id: string): Promise<AgentAlert | null> {
  const row = await reader().first<AgentAlert & { offer_id: string | null }>(
    `select n.id, n.account_id, n.channel, n.subject, n.body, n.made_at, n.offer_id, ${nameSql('u')} as agent, u.email, u.phone, a.name as brokerage,
       (select phone from users h where h.account_id = n.account_id and h.active and h.phone is not null and h.phone is distinct from u.phone order by h.id limit 1) as house_phone
     from agent_alerts n join users u on u.id = n.user_id join accounts a on a.id = n.account_id where n.id = $1 and n.sent_at is null`,
    [id],
  );
  return row && { ...row, reply_to: row.offer_id && `offer+${mailToken(OFFER_PURPOSE, row.offer_id)}@${config().mailDomain}` };
}

export const saveAlertOutcome = (id: string, error: string | null): Promise<void> =>
  reader().run(
    'update agent_alerts set sent_at = case when $2::text is null then clock_timestamp() end, error = $2 where id = $1',
    [id, error],
  );

/** What is done with an answer to an offer; the functions that accept and decline are given, so that this file does not know them. */
export interface OfferActions {
  accept: (user: User, offerId: string, by: 'text' | 'email') => Promise<{ name: string }>;
  decline: (user: User, offerId: string, by: 'text' | 'email') => Promise<void>;
  person: (id: string) => Promise<User | null>;
}

/**
 * A text from one of the people here. True when it was taken as an answer to an offer; they are told what became of it.
 * A number in it names the offer; without one it is the newest that they were told of.
 */
export async function answeredByText(from: string, body: string, doing: OfferActions): Promise<boolean> {
  const user = await reader().first<{ id: string; account_id: string }>(
    'select id, account_id from users where phone = $1 and active order by id limit 1',
    [from],
  );
  if (!user) return false;
  const offers = await reader().rows<{ id: string; state: string }>(
    `select o.id, o.state from offers o where o.user_id = $1 and exists (select 1 from agent_alerts n where n.offer_id = o.id and n.channel = 'text') and (o.state = 'open' or o.offered_at > $2) order by o.state = 'open' desc, o.id desc limit 50`,
    [user.id, new Date((await now()).getTime() - ANSWERED_WITHIN_MS)],
  );
  if (!offers.length) return false;
  const { answer, number } = answerOf(body);
  if (!answer) return false;
  const offer = number ? offers.find(({ id }) => id === number) : offers[0];
  await perform(user, offer?.id ?? null, answer, 'text', doing);
  return true;
}

/** A mail to the reply address of an offer. False when the address is none. */
export async function answeredByMail(localParts: string[], from: string, body: string, doing: OfferActions): Promise<boolean> {
  const token = localParts.map((part) => /^offer\+(.+)$/.exec(part)?.[1]).find(Boolean);
  const offerId = token && readMailToken(OFFER_PURPOSE, token);
  if (!offerId) return false;
  const user = await reader().first<{ id: string; account_id: string }>(
    'select u.id, u.account_id from offers o join users u on u.id = o.user_id where o.id = $1 and u.email = $2 and u.active',
    [offerId, from.toLowerCase()],
  );
  if (!user) return true;
  const { answer } = answerOf(body);
  await perform(user, offerId, answer, 'email', doing);
  return true;
}

async function perform(
  user: { id: string; account_id: string },
  offerId: string | null,
  answer: 'take' | 'pass' | null,
  by: 'text' | 'email',
  doing: OfferActions,
): Promise<void> {
  const person = await doing.person(user.id);
  if (!person) return;
  const words = await (async () => {
    if (!offerId) return 'There’s no offer with that number.';
    if (!answer) return by === 'text' ? 'Reply 1 to take the lead, 0 to pass.' : 'Reply “take” to take the lead, or “pass”.';
    try {
      if (answer === 'pass') {
        await doing.decline(person, offerId, by);
        return 'You passed on this lead. We’ll offer it to someone else.';
      }
      const { name } = await doing.accept(person, offerId, by);
      return `${name || 'The lead'} is yours.`;
    } catch (error) {
      if (error instanceof AppError) return error.message;
      throw error;
    }
  })();
  const word = { user_id: user.id, offer_id: null, channel: by, subject: words, body: words };
  await transact(async (tx) => tellAll(tx, user.account_id, [word], await now(tx)));
}
