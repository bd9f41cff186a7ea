/**
 * What becomes of an answer that refuses: the ledger withdrawn at once, campaigns ended, one confirmation, and nobody taken in again;
 * a number that is somebody else's is given up and the contact stays; what is not sure pauses and asks the agent.
 */
import { CHANNELS, channelsTo, type Activity, type Channel } from '@/core/contacts';
import { confirmationOf, readRefusal, type Refusal } from '@/core/messages';
import { scopeFor, type Principal } from '@/core/accounts';
import { AppError, DAY } from '@/core/shared';
import {
  changePermissions,
  endFollowUp,
  lettersTo,
  lockContact,
  permissionActivity,
  pointKind,
  recordActivities,
  type PermissionChange,
} from '../contacts';
import { isTalking } from '../conversations';
import { now, transact, wakeWorkers, type Tx } from '../shared';

/** Campaigns rest so long when somebody says "not now"; the agent may shorten it. */
const PAUSE_DAYS = 14;

export interface Answer {
  accountId: string;
  contactId: string;
  channel: 'text' | 'email';
  /** By which they answered. */
  address: string;
  body: string;
  at: Date;
}

interface Who {
  first_name: string;
  last_name: string;
  owner_id: string | null;
  brokerage: string;
  points: { kind: 'phone' | 'email'; value: string }[] | null;
}

/** So much of an email is looked at: below stand signatures, with words about other people's lists. */
const MOST_OF_A_MAIL = 400;

const whoIs = async (tx: Tx, contactId: string): Promise<Who> =>
  (await tx.first<Who>(
    `select c.first_name, c.last_name, c.owner_id::text, a.name as brokerage,
       (select jsonb_agg(jsonb_build_object('kind', p.kind, 'value', p.value)) from contact_points p where p.contact_id = c.id and p.active) as points
     from contacts c join accounts a on a.id = c.account_id where c.id = $1`,
    [contactId],
  ))!;

/** What an answer of a contact refuses. */
export async function refusalOf(tx: Tx, answer: Answer): Promise<{ refusal: Refusal; who: Who } | null> {
  const who = await whoIs(tx, answer.contactId);
  const body = CHANNELS[answer.channel].hasSubject ? answer.body.slice(0, MOST_OF_A_MAIL) : answer.body;
  const refusal = readRefusal(body, { channel: answer.channel, names: [who.first_name, who.last_name].filter(Boolean) });
  if (!refusal) return null;
  /* “Not yet” answers what the assistant asked; only a stop is one there too. */
  return refusal.kind === 'unclear' && (await isTalking(tx, answer.contactId)) ? null : { refusal, who };
}

/** What is withdrawn by a refusal, for good. */
function withdrawn(answer: Answer, refusal: Refusal, who: Who): PermissionChange[] {
  const points = who.points ?? [];
  const change = (channel: Channel, address: string, how = `they wrote “${answer.body.trim().slice(0, 60)}”`) => ({
    channel,
    address,
    state: 'withdrawn' as const,
    how,
    forGood: true,
    at: answer.at,
  });
  const sameAddress = channelsTo(CHANNELS[answer.channel].address);
  switch (refusal.kind) {
    case 'wrong_person':
      return sameAddress.map((channel) => change(channel, answer.address, 'the number belongs to someone else, who told us'));
    case 'stop_all':
      return [
        ...points.flatMap(({ kind, value }) => channelsTo(kind).map((channel) => change(channel, value))),
        ...channelsTo('mailing').map((channel) => change(channel, lettersTo(answer.contactId))),
      ];
    case 'stop':
      return refusal.channels.flatMap((channel) =>
        sameAddress.includes(channel)
          ? [change(channel, answer.address)]
          : pointKind(channel)
            ? points.filter(({ kind }) => kind === pointKind(channel)).map(({ value }) => change(channel, value))
            : [change(channel, lettersTo(answer.contactId))],
      );
    case 'unclear':
      return [];
  }
}

/** Whether a refusal ends what goes by itself. */
export const isEnd = (refusal: Refusal): boolean => refusal.kind !== 'unclear';

/** Writes down what a refusal withdraws. @returns lines of the timeline, to be recorded behind the answer itself */
export async function carryOutRefusal(tx: Tx, answer: Answer, refusal: Refusal, who: Who): Promise<Activity[]> {
  const { contactId, accountId, at } = answer;
  const changes = withdrawn(answer, refusal, who);
  await changePermissions(tx, accountId, changes);
  if (refusal.kind === 'wrong_person') {
    await tx.run(`update contact_points set error = 'wrong number' where contact_id = $1 and value = $2 and active`, [
      contactId,
      answer.address,
    ]);
  } else if (isEnd(refusal)) {
    await tx.run(
      `update contacts set refused_at = coalesce(refused_at, $2), do_not_contact = do_not_contact or $3, updated_at = $2 where id = $1`,
      [contactId, at, refusal.kind === 'stop_all'],
    );
    await confirm(tx, answer, refusal, who);
  }
  if (isEnd(refusal))
    await tx.run(`update assistant_conversations set state = 'stopped', last_at = $2 where contact_id = $1 and state = 'open'`, [
      contactId,
      at,
    ]);
  return changes.map((one) => permissionActivity(contactId, one));
}

/** One confirmation and no more, by which they wrote (47 CFR 64.1200(a)(12)). */
async function confirm(tx: Tx, answer: Answer, refusal: Refusal, who: Who): Promise<void> {
  const words = confirmationOf(refusal, answer.channel, who.brokerage);
  if (!words) return;
  await tx.run(
    `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at)
     values ($1, $2, $3, $4, $5, $6, $7::jsonb, true, $8, $8) on conflict (key) do nothing`,
    [
      answer.accountId,
      `stopped-${answer.channel}-${answer.contactId}-${answer.address}`.slice(0, 200),
      answer.channel,
      answer.contactId,
      who.owner_id,
      answer.address,
      JSON.stringify({ ...words, confirms: true }),
      answer.at,
    ],
  );
  await wakeWorkers(tx);
}

/** After the answer was recorded: whatever is still under way rests, and the agent is asked. */
export async function restAndAsk(tx: Tx, answer: Answer, who: Who): Promise<Activity[]> {
  const { contactId, accountId, at } = answer;
  const until = new Date(at.getTime() + PAUSE_DAYS * DAY);
  await tx.run(
    `update enrollments set state = 'paused', due_at = greatest(due_at, $2) where contact_id = $1 and state in ('active','paused')`,
    [contactId, until],
  );
  const note = `They wrote “${answer.body.trim().slice(0, 80)}”. Stop messages, or stay in touch? Campaigns are paused for ${PAUSE_DAYS} days.`;
  await tx.run(
    `insert into tasks (account_id, contact_id, user_id, kind, due_at, note, created_at) values ($1, $2, $3, 'promise', $4, $5, $4)`,
    [accountId, contactId, who.owner_id, at, note],
  );
  return [
    {
      contactId,
      userId: null,
      at,
      kind: 'task',
      channel: null,
      direction: null,
      data: { text: note, dueAt: at.toISOString() },
      because: null,
    },
  ];
}

/**
 * What the agent makes of an answer that was not sure: an end of everything, or that they stay in touch, and campaigns go on at once.
 * @throws AppError not_found; conflict when they wrote nothing that waits for that
 */
export async function judgeRefusal(principal: Principal, contactId: string, ends: boolean): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const at = await now(tx);
    const message = await tx.first<{ channel: 'text' | 'email'; text: string; address: string | null }>(
      `select channel, coalesce(data->>'text', '') as text, data->>'from' as address from activities
       where contact_id = $1 and kind = 'message' and direction = 'in' and data->>'refusal' = 'unclear' order by at desc, id desc limit 1`,
      [contactId],
    );
    if (!message) throw new AppError('conflict', 'They haven’t written anything that needs your decision.');
    const answer: Answer = {
      accountId: scope.accountId,
      contactId,
      channel: message.channel,
      address: message.address ?? '',
      body: message.text,
      at,
    };
    const lines = ends ? await carryOutRefusal(tx, answer, { kind: 'stop_all' }, await whoIs(tx, contactId)) : [];
    if (ends) lines.push(...(await endFollowUp(tx, [{ contactId, at, why: 'opted_out', channel: message.channel }])));
    else
      await tx.run(`update enrollments set state = 'active', due_at = $2 where contact_id = $1 and state = 'paused'`, [
        contactId,
        at,
      ]);
    await tx.run(`update tasks set done_at = $2 where contact_id = $1 and done_at is null and note like 'They wrote “%'`, [
      contactId,
      at,
    ]);
    await recordActivities(tx, scope.accountId, lines);
    await wakeWorkers(tx);
  });
}

/** A stranger's refusal: the address is never written to, and nobody is made a contact of it. @returns whether it was one */
export async function refusedByStranger(tx: Tx, stranger: Omit<Answer, 'contactId'>): Promise<boolean> {
  const refusal = readRefusal(stranger.body, { channel: stranger.channel, names: [] });
  if (!refusal || !isEnd(refusal)) return false;
  const channels = channelsTo(CHANNELS[stranger.channel].address);
  await changePermissions(
    tx,
    stranger.accountId,
    channels.map((channel) => ({
      channel,
      address: stranger.address,
      state: 'withdrawn' as const,
      how: `they wrote “${stranger.body.trim().slice(0, 60)}”`,
      forGood: true,
      at: stranger.at,
    })),
  );
  return true;
}
