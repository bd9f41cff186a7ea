/** Writing what happened to the contacts of the demo: calls, messages, tasks, enrollments, activities, inquiries; they refer to each other by ids given here. */
import type { Tx } from '@/server/shared';
import { callsTable } from '@/server/calling/calls.model';
import { enrollmentsTable } from '@/server/campaigns/enrollments.model';
import { activitiesTable } from '@/server/contacts/activities.model';
import { tasksTable } from '@/server/contacts/tasks.model';
import { outboxTable } from '@/server/messages/outbox.model';
import type { WorldContact } from './contact';
import { ACCOUNT, insertAll, type WorldRow } from './insert';
import { writeInquiries } from './write-inquiries';

type WorldActivity = WorldContact['activities'][number];
/** A contact with the ids of what happened to it. */
interface Numbered {
  contact: WorldContact;
  callIds: string[];
  messageIds: string[];
  enrollmentId: string | null;
}

function numbered(contacts: WorldContact[]): Numbered[] {
  const last = { call: 0, message: 0, enrollment: 0 };
  const next = (kind: keyof typeof last): string => String((last[kind] += 1));
  return contacts.map((contact) => ({
    contact,
    callIds: contact.calls.map(() => next('call')),
    enrollmentId: contact.enrollment ? next('enrollment') : null,
    messageIds: contact.messages.map(() => next('message')),
  }));
}

/** @returns how many activities there are */
export async function writeHistory(tx: Tx, contacts: WorldContact[]): Promise<number> {
  const all = numbered(contacts);
  const lines = all
    .flatMap((one) => one.contact.activities.map((activity) => ({ activity, row: activityRow(one, activity) })))
    .sort((a, b) => a.activity.at.getTime() - b.activity.at.getTime())
    .map(({ activity, row }, at) => ({ activity, row: { ...row, id: String(at + 1) } }));
  const lineOfCall = new Map(lines.flatMap(({ activity, row }) => (activity.data.callId ? [[row.data!.callId!, row.id]] : [])));
  await insertAll(
    tx,
    activitiesTable,
    lines.map(({ row }) => row),
  );
  await insertAll(
    tx,
    callsTable,
    all.flatMap(callRows).map((row) => ({ ...row, activity_id: lineOfCall.get(row.id!) ?? null })),
  );
  await insertAll(tx, enrollmentsTable, all.flatMap(enrollmentRows));
  await insertAll(tx, outboxTable, all.flatMap(messageRows));
  await insertAll(tx, tasksTable, all.flatMap(taskRows));
  await writeInquiries(
    tx,
    contacts.filter((contact) => contact.kind === 'lead'),
  );
  return lines.length;
}

const callRows = ({ contact, callIds }: Numbered): WorldRow<typeof callsTable>[] =>
  contact.calls.map((call, at) => ({
    id: callIds[at]!,
    ...ACCOUNT,
    contact_id: contact.id,
    user_id: contact.ownerId,
    key: `w-${callIds[at]}`,
    direction: 'out',
    number: contact.phone!,
    state: 'ended',
    outcome: call.outcome,
    outcome_by: contact.ownerId,
    note: call.note,
    started_at: call.startedAt,
    answered_at: call.answeredAt,
    ended_at: call.endedAt,
    talk_seconds: call.talkSeconds,
  }));

const messageRows = ({ contact, messageIds, enrollmentId }: Numbered): WorldRow<typeof outboxTable>[] =>
  contact.messages.map((message, at) => ({
    id: messageIds[at]!,
    ...ACCOUNT,
    key: `w-e${enrollmentId}-s${message.step}`,
    channel: message.channel,
    contact_id: contact.id,
    enrollment_id: enrollmentId,
    user_id: contact.ownerId,
    address: { text: contact.phone, email: contact.email, letter: null }[message.channel],
    payload: { text: message.text, subject: message.subject, step: message.step },
    automatic: true,
    due_at: message.at,
    state: 'sent',
    attempts: 1,
    sent_at: message.at,
    created_at: message.at,
  }));

const taskRows = ({ contact, enrollmentId }: Numbered): WorldRow<typeof tasksTable>[] =>
  contact.tasks.map((task) => ({
    ...ACCOUNT,
    contact_id: contact.id,
    user_id: contact.ownerId,
    kind: task.kind,
    due_at: task.dueAt,
    note: task.note,
    key: task.key ? `e${enrollmentId}-s2` : null,
    done_at: task.doneAt,
    created_at: contact.createdAt,
  }));

function enrollmentRows({ contact, enrollmentId }: Numbered): WorldRow<typeof enrollmentsTable>[] {
  if (!contact.enrollment) return [];
  const { state, step, startedAt, dueAt, endedAt, because } = contact.enrollment;
  return [
    {
      id: enrollmentId!,
      ...ACCOUNT,
      campaign_id: '1',
      version_id: '1',
      contact_id: contact.id,
      state,
      step,
      started_at: startedAt,
      due_at: dueAt,
      planned_at: dueAt,
      ended_at: endedAt,
      because,
    },
  ];
}

/** Calls and messages are told with the ids of their rows. */
function activityRow({ contact, callIds, messageIds }: Numbered, activity: WorldActivity): WorldRow<typeof activitiesTable> {
  const { userId, at, kind, channel, direction, because } = activity;
  const data = { ...activity.data };
  if (data.callId) data.callId = callIds[Number(data.callId.slice(1))]!;
  if (data.outboxId) {
    const sent = contact.messages.findIndex((message) => message.at.getTime() === at.getTime() && message.channel === channel);
    data.outboxId = messageIds[sent] ?? '';
  }
  return { ...ACCOUNT, contact_id: contact.id, user_id: userId, at, kind, channel, direction, data, because };
}
