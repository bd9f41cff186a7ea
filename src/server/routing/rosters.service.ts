/** Making and changing rosters, in one place: who is on them, how they hand out, what happens when a window ends; and invitations to them. */
import { rostersTable } from './rosters.model';
import { AppError, notFound, fieldErrors } from '@/core/shared';
import { accountOf, type Principal } from '@/core/accounts';
import { circleOf, type Then } from '@/core/routing';
import { rosterPatchSchema, rosterSchema } from '@/core/routing/schemas';
import type { Hours } from '@/core/shared';
import type Joi from 'joi';
import { config, enqueue, now, publish, reader, writeAudit, transact, type Tx } from '../shared';
import { forgetLadder } from './ladders';
import { dropOffersOf } from './pass.service';

interface GivenMember {
  id: string;
  weight: number;
  daily_cap: number | null;
  open_cap: number | null;
  hours: Hours[];
  paused: boolean;
}
interface Given {
  name?: string;
  hand_out?: string;
  window_seconds?: number;
  try_seconds?: number | null;
  most_turns?: number | null;
  then?: { to: Then['to']; roster_id?: string | null; seconds?: number };
  hides?: string[];
  sees?: string;
  safety_net_id?: string;
  members?: GivenMember[];
  invite?: boolean;
}

function read(schema: Joi.ObjectSchema, input: unknown): Given {
  const { value, error } = schema.validate(input, { abortEarly: false, convert: false });
  if (error) throw wrong(fieldErrors(error));
  const given = value as Given;
  if (given.then?.to === 'roster' && !given.then.roster_id)
    throw wrong([{ field: 'then.roster_id', message: 'choose the next roster' }]);
  return given;
}
const wrong = (fields: { field: string; message: string }[]): AppError =>
  new AppError('input_invalid', 'Couldn’t save the roster.', { fields });

/** Makes a roster. @throws AppError input_invalid */
export async function createRoster(principal: Principal, input: unknown): Promise<{ id: string }> {
  const given = read(rosterSchema, input);
  const accountId = accountOf(principal);
  return transact(async (tx) => {
    const { name, safety_net_id } = given;
    const { id } = await rostersTable.insert({ account_id: accountId, name: name!, safety_net_id: safety_net_id! }, tx);
    await write(tx, principal, accountId, id, given);
    return { id };
  });
}

/**
 * Changes a roster. Offers that are out to somebody who is no longer on it go on.
 * @throws AppError input_invalid naming a circle of rosters, or people who are none
 */
export async function updateRoster(principal: Principal, id: string, input: unknown): Promise<void> {
  const given = read(rosterPatchSchema, input);
  const accountId = accountOf(principal);
  const left = await transact(async (tx) => {
    const there = await rostersTable.lock({ id, account_id: accountId, deleted_at: null }, tx);
    if (!there) throw notFound('roster');
    const before = await memberIds(tx, id);
    await write(tx, principal, accountId, id, given);
    const after = await memberIds(tx, id);
    return before.filter((one) => !after.includes(one));
  });
  forgetLadder(accountId);
  for (const userId of left) await dropOffersOf(accountId, userId, id);
}

const memberIds = async (tx: Tx, id: string): Promise<string[]> =>
  (await tx.rows<{ user_id: string }>('select user_id from roster_members where roster_id = $1', [id])).map(
    ({ user_id }) => user_id,
  );

async function write(tx: Tx, principal: Principal, accountId: string, id: string, given: Given): Promise<void> {
  await checkPeople(tx, accountId, given);
  const columns = {
    name: given.name,
    hand_out: given.hand_out,
    window_seconds: given.window_seconds,
    try_seconds: given.try_seconds,
    most_turns: given.most_turns,
    then_to: given.then?.to,
    then_roster_id: given.then && (given.then.to === 'roster' ? given.then.roster_id : null),
    commons_seconds: given.then?.seconds,
    hides: given.hides,
    sees: given.sees,
    safety_net_id: given.safety_net_id,
  };
  const stated = Object.fromEntries(Object.entries(columns).filter(([, value]) => value !== undefined));
  if (Object.keys(stated).length) await rostersTable.update(stated, { id }, tx);
  await checkCircles(tx, accountId);
  const at = await now(tx);
  if (given.members) await writeMembers(tx, id, given.members, Boolean(given.invite), at);
  await writeAudit(tx, principal, accountId, 'changed a roster', { roster_id: id, ...given }, at);
  await publish(tx, { accountId, topic: 'routing', ownerId: null });
}

async function checkPeople(tx: Tx, accountId: string, given: Given): Promise<void> {
  const users = await tx.rows<{ id: string; role: string }>('select id, role from users where account_id = $1 and active', [
    accountId,
  ]);
  const is = (id: string) => users.some((one) => one.id === id);
  const errors: { field: string; message: string }[] = [];
  given.members?.forEach(({ id }, at) => {
    if (!is(id)) errors.push({ field: `members.${at}.id`, message: 'is not someone here' });
  });
  if (given.safety_net_id && !users.some(({ id, role }) => id === given.safety_net_id && role !== 'lender'))
    errors.push({ field: 'safety_net_id', message: 'must be someone here who works leads' });
  if (given.then?.to === 'roster') {
    const there = await tx.first('select 1 from rosters where id = $1 and account_id = $2 and deleted_at is null', [
      given.then.roster_id,
      accountId,
    ]);
    if (!there) errors.push({ field: 'then.roster_id', message: 'is no roster' });
  }
  if (errors.length) throw wrong(errors);
}

async function checkCircles(tx: Tx, accountId: string): Promise<void> {
  const rosters = await tx.rows<{ id: string; name: string; then_to: string; then_roster_id: string | null }>(
    'select id, name, then_to, then_roster_id from rosters where account_id = $1 and deleted_at is null',
    [accountId],
  );
  const circle = circleOf(
    rosters.map(({ id, name, then_to, then_roster_id }) => ({
      id,
      name,
      then: then_to === 'roster' && then_roster_id ? { to: 'roster', rosterId: then_roster_id } : { to: 'safety_net' },
    })),
  );
  if (circle)
    throw wrong([
      {
        field: 'then',
        message: `makes a circle: ${circle.join(' → ')}. Leads would loop forever. Let one of them end with its safety net.`,
      },
    ]);
}

/** Lenders are attached to leads, and agents get them: no roster does both. @throws AppError input_invalid */
async function requireOneKind(tx: Tx, userIds: string[]): Promise<void> {
  const kinds = await tx.rows(`select distinct role = 'lender' from users where id = any($1::bigint[])`, [userIds]);
  if (kinds.length > 1) throw wrong([{ field: 'members', message: 'A roster has agents or lenders on it, not both' }]);
}

/** The members in their order. Turns, shares given and answers to invitations of those who stay are kept. */
async function writeMembers(tx: Tx, rosterId: string, members: GivenMember[], invite: boolean, at: Date): Promise<void> {
  await requireOneKind(
    tx,
    members.map(({ id }) => id),
  );
  const before = await memberIds(tx, rosterId);
  await tx.run('delete from roster_members where roster_id = $1 and user_id <> all($2::bigint[])', [
    rosterId,
    members.map(({ id }) => id),
  ]);
  await tx.run(
    `insert into roster_members (roster_id, user_id, position, weight, daily_cap, open_cap, hours, paused, state, invited_at)
     select $1, x.id, x.position, x.weight, x.daily_cap, x.open_cap, x.hours, x.paused, $3, $4
     from jsonb_to_recordset($2::jsonb) as x (id bigint, position int, weight int, daily_cap int, open_cap int, hours jsonb, paused boolean)
     on conflict (roster_id, user_id) do update set position = excluded.position, weight = excluded.weight, daily_cap = excluded.daily_cap, open_cap = excluded.open_cap, hours = excluded.hours, paused = excluded.paused`,
    [
      rosterId,
      JSON.stringify(members.map((member, position) => ({ ...member, position: position + 1 }))),
      invite ? 'invited' : 'in',
      invite ? at : null,
    ],
  );
  if (!invite) return;
  for (const { id } of members.filter((member) => !before.includes(member.id))) await inviteOne(tx, rosterId, id, at);
}

async function inviteOne(tx: Tx, rosterId: string, userId: string, at: Date): Promise<void> {
  const row = await tx.first<{ id: string }>(
    `insert into agent_alerts (account_id, user_id, channel, subject, body, made_at)
     select r.account_id, $2, 'email', 'You are invited to ' || r.name, 'You are invited to take leads on the roster “' || r.name || '”. Accept or decline: ' || $3, $4 from rosters r where r.id = $1 returning id`,
    [rosterId, userId, `${config().publicUrl}/routing?invitation=${rosterId}`, at],
  );
  await enqueue(tx, 'routing.notice', { noticeId: row!.id });
}

/** Takes a roster away. @throws AppError conflict while a rung or another roster hands leads to it */
export async function deleteRoster(principal: Principal, id: string): Promise<void> {
  const accountId = accountOf(principal);
  await transact(async (tx) => {
    const there = await tx.first('select 1 from rosters where id = $1 and account_id = $2 and deleted_at is null for update', [
      id,
      accountId,
    ]);
    if (!there) throw notFound('roster');
    const used = await tx.first<{ rungs: number; rosters: string[] }>(
      `select (select count(*)::int from rungs where (roster_id = $1 or lender_roster_id = $1) and deleted_at is null) as rungs, array(select name from rosters where then_to = 'roster' and then_roster_id = $1 and deleted_at is null) as rosters`,
      [id],
    );
    if (used!.rungs > 0)
      throw new AppError('conflict', 'A rung sends leads to this roster. Change the rung first. Nothing was deleted.');
    if (used!.rosters.length)
      throw new AppError(
        'conflict',
        `${used!.rosters.join(', ')} passes to this roster. Change that first; nothing was deleted.`,
      );
    await rostersTable.update({ deleted_at: await now(tx) }, { id }, tx);
    await writeAudit(tx, principal, accountId, 'deleted a roster', { roster_id: id }, await now(tx));
    await publish(tx, { accountId, topic: 'routing', ownerId: null });
  });
  forgetLadder(accountId);
}

export interface Invitation {
  roster_id: string;
  name: string;
  invited_at: Date;
}
/** Rosters to which somebody is invited and has not answered. */
export const listInvitations = (userId: string): Promise<Invitation[]> =>
  reader().rows<Invitation>(
    `select m.roster_id, r.name, m.invited_at from roster_members m join rosters r on r.id = m.roster_id where m.user_id = $1 and m.state = 'invited' and r.deleted_at is null order by m.invited_at`,
    [userId],
  );

/** Answers an invitation; the answer can be changed later by the same call. */
export async function answerInvitation(principal: Principal, rosterId: string, accept: boolean): Promise<void> {
  if (principal.kind !== 'user') throw new AppError('not_allowed', 'Only the person invited can answer.');
  await transact(async (tx) => {
    const rows = await tx.rows(
      `update roster_members set state = $3, answered_at = $4 where roster_id = $1 and user_id = $2 and invited_at is not null returning roster_id`,
      [rosterId, principal.user.id, accept ? 'in' : 'declined', await now(tx)],
    );
    if (!rows.length) throw notFound('invitation');
    await publish(tx, { accountId: principal.user.accountId, topic: 'routing', ownerId: null });
  });
}
