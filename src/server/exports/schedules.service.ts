/** Exports that come back by themselves: each belongs to the person who asked, and sees what that person may see. */
import type { Question } from '@/core/segments';
import { AppError, notFound } from '@/core/shared';
import { accountOf, onlyOf, scopeFor, type Principal } from '@/core/accounts';
import { nextRun, type ExportFormat, type ExportOptions, type Rhythm, type ScheduleView } from '@/core/exports';
import { findUser } from '../accounts';
import { readQuestion } from '../segments';
import { nameSql, now, reader, writeAudit, transact, type Tx } from '../shared';
import { addExport } from './exports.service';
import { exportSchedulesTable } from './export-schedules.model';

const MOST_SCHEDULES = 50;

export interface ScheduleInput extends Rhythm {
  name: string;
  format: ExportFormat;
  options: ExportOptions;
  question: Question;
  email: boolean;
}

interface ScheduleRow extends ScheduleView {
  user_id: string;
  account_id: string;
  options: ExportOptions;
  question: Question;
  zone: string;
}

const SELECT = `select s.*, ${nameSql('u')} as by, to_jsonb(l) as last from export_schedules s join users u on u.id = s.user_id
  left join lateral (select id, state, done, error, mail_error, made_at from exports e where e.schedule_id = s.id order by e.id desc limit 1) l on true`;

function viewOf(row: ScheduleRow): ScheduleView {
  const { id, name, format, every, day, at, email, next_at, error, by, last } = row;
  return { id, name, format, every, day, at, email, next_at, error, by, last };
}

/** The schedules of the account for those who run the office; else one's own. */
export async function listSchedules(principal: Principal): Promise<ScheduleView[]> {
  const rows = await reader().rows<ScheduleRow>(
    `${SELECT} where s.account_id = $1 and ($2::bigint is null or s.user_id = $2) order by s.next_at, s.id`,
    [accountOf(principal), onlyOf(principal)],
  );
  return rows.map(viewOf);
}

/** @throws AppError not_allowed for a key, which is nobody's and has no mailbox; not_found for a segment that is not there */
export async function createSchedule(principal: Principal, input: ScheduleInput): Promise<ScheduleView> {
  if (principal.kind !== 'user') throw new AppError('not_allowed', 'Only logged-in users can schedule exports.');
  const { user } = principal;
  const scope = scopeFor(principal);
  await readQuestion(scope, input.question);
  const id = await transact(async (tx) => {
    const at = await now(tx);
    if ((await exportSchedulesTable.count({ account_id: scope.accountId }, tx)) >= MOST_SCHEDULES)
      throw new AppError('conflict', `There are ${MOST_SCHEDULES} schedules already. Remove one you don’t need.`);
    const { format, options, question, every, day, email } = input;
    const made = await exportSchedulesTable.insert(
      {
        account_id: scope.accountId,
        user_id: user.id,
        name: input.name.trim(),
        format,
        options,
        question,
        every,
        day,
        at: input.at,
        zone: user.timeZone,
        email,
        next_at: nextRun(input, at, user.timeZone),
        made_at: at,
      },
      tx,
    );
    await writeAudit(tx, principal, scope.accountId, 'contacts.export_schedule', { scheduleId: made.id, ...input }, at);
    return made.id;
  });
  return (await listSchedules(principal)).find((one) => one.id === id)!;
}

export async function deleteSchedule(principal: Principal, id: string): Promise<void> {
  await transact(async (tx) => {
    const gone = await tx.first<{ name: string }>(
      'delete from export_schedules where id = $1 and account_id = $2 and ($3::bigint is null or user_id = $3) returning name',
      [id, accountOf(principal), onlyOf(principal)],
    );
    if (!gone) throw notFound('schedule');
    await writeAudit(tx, principal, accountOf(principal), 'contacts.export_unschedule', gone, await now(tx));
  });
}

/** For the worker's pulse: orders the exports that are due, each with the next time in one step, so that none comes twice. */
export async function orderDueExports(): Promise<number> {
  const due = await reader().rows<{ id: string }>(
    'select id from export_schedules where next_at <= $1 order by next_at limit 20',
    [await now()],
  );
  let ordered = 0;
  for (const { id } of due) if (await transact((tx) => orderOne(tx, id))) ordered += 1;
  return ordered;
}

async function orderOne(tx: Tx, id: string): Promise<boolean> {
  const at = await now(tx);
  const row = await tx.first<ScheduleRow>(
    'select * from export_schedules where id = $1 and next_at <= $2 for update skip locked',
    [id, at],
  );
  if (!row) return false;
  const user = await findUser(row.user_id);
  const error = user ? null : 'The person who requested it is no longer here.';
  await tx.run('update export_schedules set next_at = $2, error = $3 where id = $1', [id, nextRun(row, at, row.zone), error]);
  if (user)
    await addExport(tx, { kind: 'user', user }, row.format, { question: row.question }, row.options, {
      email: row.email,
      scheduleId: id,
    });
  return user !== null;
}
