/** Calls from the first key press to the line in the timeline: placing, what the network reports, notes, hanging up, the outcome. */
import type { CallView } from '@/core/calling';
import { randomUUID } from 'node:crypto';
import { AppError, notFound } from '@/core/shared';
import { scopeFor, type Principal, type Scope } from '@/core/accounts';
import {
  CONVERSATION_SECONDS,
  isReached,
  isWrongNumber,
  OUTCOME_KEYS,
  progressCall,
  type CallReport,
  type CallOutcome,
} from '@/core/calling';
import { sentenceOf, type Activity } from '@/core/contacts';
import { oneLine } from '@/core/capture';
import { storable } from '@/core/capture/schemas';
import { readSettings } from '../accounts';
import { lockContact, recordActivities, restate, visible } from '../contacts';
import { askGuardrails } from '../messages';
import { enqueue, now, publish, reader, transact, wakeWorkers, type Tx, type RowOf } from '../shared';
import type { callsTable } from './calls.model';

type CallRow = Pick<
  RowOf<typeof callsTable>,
  | 'id'
  | 'account_id'
  | 'contact_id'
  | 'user_id'
  | 'key'
  | 'number'
  | 'state'
  | 'outcome'
  | 'outcome_by'
  | 'note'
  | 'started_at'
  | 'answered_at'
  | 'ended_at'
  | 'talk_seconds'
  | 'activity_id'
>;

const viewOf = (row: CallRow): CallView => ({
  id: row.id,
  contact_id: row.contact_id,
  state: row.state,
  outcome: row.outcome,
  outcome_guessed: row.outcome !== null && row.outcome_by === 'network',
  number: row.number,
  note: row.note,
  started_at: row.started_at,
  answered_at: row.answered_at,
  ended_at: row.ended_at,
  talk_seconds: row.talk_seconds,
});

const COLUMNS =
  'k.id, k.account_id, k.contact_id, k.user_id, k.key, k.number, k.state, k.outcome, k.outcome_by, k.note, k.started_at, k.answered_at, k.ended_at, k.talk_seconds, k.activity_id';

/**
 * Places a call to a contact for the person who asks. A person has one call at a time.
 * @param number one of the contact's, in E.164; the first that works, when none is chosen
 * @throws AppError touch_refused when the guardrails say no or wait; conflict when a call is under way
 */
export async function startCall(principal: Principal, contactId: string, number?: string): Promise<CallView> {
  if (principal.kind !== 'user') throw new AppError('not_allowed', 'Only people can place calls, not API keys.');
  const scope = scopeFor(principal);
  const userId = principal.user.id;
  return transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const busy = await tx.first<{ contact_id: string }>(
      `select contact_id from calls where state <> 'ended' and (user_id = $1 or contact_id = $2) limit 1`,
      [userId, contactId],
    );
    if (busy)
      throw new AppError(
        'conflict',
        busy.contact_id === contactId ? 'There’s already a call with this contact.' : 'You are on a call. Hang up first.',
      );
    const { verdict, address } = await askGuardrails(tx, principal, contactId, 'call', number);
    if (verdict.go !== true) throw new AppError('touch_refused', sentenceOf(verdict.because));
    const at = await now(tx);
    const key = `c-${randomUUID()}`;
    const row = await tx.first<CallRow>(
      `insert into calls as k (account_id, contact_id, user_id, key, number, state, started_at) values ($1, $2, $3, $4, $5, 'dialing', $6) returning ${COLUMNS}`,
      [scope.accountId, contactId, userId, key, address, at],
    );
    await tx.run(
      `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at) values ($1, $2, 'call', $3, $4, $5, $6::jsonb, false, $7, $7)`,
      [scope.accountId, key, contactId, userId, address, JSON.stringify({ callId: row!.id }), at],
    );
    await wakeWorkers(tx);
    await tellCall(tx, row!);
    return viewOf(row!);
  });
}

const tellCall = (tx: Tx, row: { account_id: string; id: string; contact_id: string; user_id: string }): Promise<void> =>
  publish(tx, { accountId: row.account_id, topic: 'call', callId: row.id, contactId: row.contact_id, ownerId: row.user_id });

/** Takes in what the network reports of a call, known by its key. Repeats and late reports change nothing. */
export async function reportCall(key: string, report: CallReport): Promise<void> {
  await transact(async (tx) => {
    const row = await tx.first<CallRow>(`select ${COLUMNS} from calls k where k.key = $1 for update`, [key]);
    if (!row) return;
    const conversationSeconds = (await readSettings(row.account_id, tx)).conversationSeconds ?? CONVERSATION_SECONDS;
    const before = {
      state: row.state,
      answeredAt: row.answered_at,
      endedAt: row.ended_at,
      talkSeconds: row.talk_seconds,
      outcome: row.outcome,
    };
    const after = progressCall(before, report, conversationSeconds);
    if (after === before) return;
    await tx.run(
      'update calls set state = $2, answered_at = $3, ended_at = $4, talk_seconds = $5, outcome = $6, outcome_by = coalesce(outcome_by, $7) where id = $1',
      [row.id, after.state, after.answeredAt, after.endedAt, after.talkSeconds, after.outcome, after.outcome ? 'network' : null],
    );
    if (after.state === 'ended')
      await logCall(tx, {
        ...row,
        ...{ outcome: after.outcome, talk_seconds: after.talkSeconds, ended_at: after.endedAt, answered_at: after.answeredAt },
      });
    await tellCall(tx, row);
  });
}

/** The call logs itself: its line, its note, the tasks it fulfils. */
async function logCall(tx: Tx, call: CallRow): Promise<void> {
  const outcome = call.outcome ?? 'no_answer';
  await fulfil(tx, call.contact_id, isReached(outcome), call.ended_at!);
  await noteWrongNumber(tx, call, outcome);
  const [activityId] = await recordActivities(tx, call.account_id, [
    {
      contactId: call.contact_id,
      userId: call.user_id,
      at: call.started_at,
      kind: 'call',
      channel: 'call',
      direction: 'out',
      data: {
        callId: call.id,
        outcome,
        talkSeconds: call.talk_seconds,
        ringSeconds: Math.max(0, Math.round(((call.answered_at ?? call.ended_at)!.getTime() - call.started_at.getTime()) / 1000)),
        to: call.number,
        text: call.note || undefined,
      },
      because: null,
    },
  ]);
  await tx.run('update calls set activity_id = $2 where id = $1', [call.id, activityId]);
}

/** A call that campaigns asked for is done by trying; a promise is kept only by speaking. */
const fulfil = (tx: Tx, contactId: string, reached: boolean, at: Date): Promise<void> =>
  tx.run(
    `update tasks set done_at = $2 where contact_id = $1 and done_at is null and due_at <= $2::timestamptz + interval '12 hours' and (kind = 'call' or $3)`,
    [contactId, at, reached],
  );

const noteWrongNumber = async (tx: Tx, call: CallRow, outcome: CallOutcome): Promise<void> => {
  await tx.run(
    isWrongNumber(outcome)
      ? `update contact_points set error = 'wrong number' where contact_id = $1 and kind = 'phone' and value = $2`
      : `update contact_points set error = null where contact_id = $1 and kind = 'phone' and value = $2 and error = 'wrong number'`,
    [call.contact_id, call.number],
  );
};

async function lockCall(scope: Scope, id: string, tx: Tx): Promise<CallRow> {
  const bind: unknown[] = [id];
  const row = await tx.first<CallRow>(
    `select ${COLUMNS} from calls k join contacts c on c.id = k.contact_id where k.id = $1 and ${visible(scope, bind)} for update of k`,
    bind,
  );
  if (!row) throw notFound('call');
  return row;
}

/** Keeps the note, or the outcome that the agent names; before the end or after it. */
export async function updateCall(
  principal: Principal,
  id: string,
  change: { note?: string; outcome?: CallOutcome },
): Promise<CallView> {
  const scope = scopeFor(principal);
  if (change.outcome !== undefined && !OUTCOME_KEYS.includes(change.outcome)) {
    throw new AppError('input_invalid', 'That’s not an outcome.', {
      fields: [{ field: 'outcome', message: `one of ${OUTCOME_KEYS.join(', ')}` }],
    });
  }
  return transact(async (tx) => {
    const row = await lockCall(scope, id, tx);
    const note = change.note === undefined ? row.note : storable(change.note).slice(0, 20_000);
    const outcome = change.outcome ?? row.outcome;
    await tx.run(
      'update calls set note = $2, outcome = $3, outcome_by = case when $4 then $5 else outcome_by end where id = $1',
      [id, note, outcome, change.outcome !== undefined, principal.kind === 'user' ? principal.user.id : 'key'],
    );
    if (row.state === 'ended') await correctLog(tx, principal, row, note, change.outcome);
    await tellCall(tx, row);
    return viewOf({ ...row, note, outcome, outcome_by: change.outcome === undefined ? row.outcome_by : 'person' });
  });
}

/** After the end the log stands: another outcome or a longer note is a line of its own. */
async function correctLog(tx: Tx, principal: Principal, row: CallRow, note: string, outcome?: CallOutcome): Promise<void> {
  const base = {
    contactId: row.contact_id,
    userId: principal.kind === 'user' ? principal.user.id : null,
    at: await now(tx),
    direction: null,
    because: null,
  } as const;
  const lines: Activity[] = [];
  if (outcome && outcome !== row.outcome) {
    if (isReached(outcome)) await fulfil(tx, row.contact_id, true, base.at);
    await noteWrongNumber(tx, row, outcome);
    lines.push({ ...base, kind: 'outcome', channel: 'call', data: { callId: row.id, outcome, was: row.outcome ?? 'no_answer' } });
  }
  if (note.trim() && note !== row.note)
    lines.push({ ...base, kind: 'note', channel: 'call', data: { text: note.trim(), callId: row.id } });
  await recordActivities(tx, row.account_id, lines);
}

/** Asks the network to end a call. */
export async function hangUp(principal: Principal, id: string): Promise<void> {
  await transact(async (tx) => {
    const row = await lockCall(scopeFor(principal), id, tx);
    if (row.state !== 'ended') await enqueue(tx, 'calling.hangUp', { callId: row.id }, { key: `hang-up-${row.id}` });
  });
}

/** The key under which the network knows a call. */
export const keyOfCall = async (id: string): Promise<string | null> =>
  (await reader().first<{ key: string }>('select key from calls where id = $1', [id]))?.key ?? null;

/** Ends calls that never reached the network: a call placed minutes late would startle both. */
export async function failCall(id: string, error: string): Promise<void> {
  await transact(async (tx) => {
    const row = await tx.first<CallRow>(`select ${COLUMNS} from calls k where k.id = $1 and k.state <> 'ended' for update`, [id]);
    if (!row) return;
    const at = await now(tx);
    await tx.run(`update calls set state = 'ended', ended_at = $2, outcome = null where id = $1`, [id, at]);
    await recordActivities(tx, row.account_id, [
      {
        contactId: row.contact_id,
        userId: row.user_id,
        at,
        kind: 'bounced',
        channel: 'call',
        direction: 'out',
        data: { callId: id },
        because: { why: 'refused', channel: 'call', error: oneLine(error) },
      },
    ]);
    await restate(tx, [row.contact_id], at);
    await tellCall(tx, row);
  });
}

/** One call. @throws AppError not_found */
export async function findCall(scope: Scope, id: string): Promise<CallView> {
  const bind: unknown[] = [id];
  const row = await reader().first<CallRow>(
    `select ${COLUMNS} from calls k join contacts c on c.id = k.contact_id where k.id = $1 and ${visible(scope, bind)}`,
    bind,
  );
  if (!row) throw notFound('call');
  return viewOf(row);
}

/** The call under way of a person, so that a reloaded page shows it again; null when there is none. */
export async function liveCallOf(userId: string): Promise<CallView | null> {
  const row = await reader().first<CallRow>(
    `select ${COLUMNS} from calls k where k.user_id = $1 and k.state <> 'ended' order by k.id desc limit 1`,
    [userId],
  );
  return row && viewOf(row);
}
