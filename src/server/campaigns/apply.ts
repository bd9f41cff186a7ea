/** What campaigns change at contacts: tags, stage, horizon, agent, into and out of other campaigns; each with its line in the timeline. */
import type { ContactUpdate } from '@/core/campaigns';
import type { Activity, Because } from '@/core/contacts';
import { endFollowUp, endOffers, listFields, recordActivities, refreshSearch, restate, setFields } from '../contacts';
import { nameSql, type Tx } from '../shared';
import { enrol } from './enrol.service';

/** A change that a campaign owes to a contact. */
export interface Owed {
  contactId: string;
  campaign: string;
  campaignId: string;
  day: number;
  change: ContactUpdate;
}

/** Carries changes out, those of a kind together. What cannot be done any more (a tag, a person that is gone) is left. */
export async function applyChanges(tx: Tx, accountId: string, owed: readonly Owed[], at: Date): Promise<void> {
  const groups = new Map<string, Owed[]>();
  for (const one of owed) {
    const key = JSON.stringify([one.change, one.campaignId, one.day]);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  for (const group of groups.values()) await applyOne(tx, accountId, group, at);
}

type UpdateOf<K extends ContactUpdate['set'], One = ContactUpdate> = One extends { set: string }
  ? K extends One['set']
    ? One
    : never
  : never;
/** What is changed for a group, and how it is told. */
interface Applying {
  tx: Tx;
  accountId: string;
  ids: string[];
  at: Date;
  owed: Owed;
  because: Because;
  lines: (contactIds: readonly string[], kind: Activity['kind'], data: Activity['data']) => Activity[];
  tell: (contactIds: readonly string[], text: string) => Promise<void>;
}
type Apply<K extends ContactUpdate['set']> = (change: UpdateOf<K>, applying: Applying) => Promise<void>;

const tagOrNot: Apply<'tag' | 'untag'> = async (change, { tx, accountId, ids, tell }) => {
  const tag = await tx.first<{ name: string }>('select name from tags where id = $1 and account_id = $2 and deleted_at is null', [
    change.tagId,
    accountId,
  ]);
  if (!tag) return;
  const rows = await tx.rows<{ contact_id: string }>(
    change.set === 'tag'
      ? 'insert into contact_tags (contact_id, tag_id) select id, $2 from unnest($1::bigint[]) id on conflict do nothing returning contact_id'
      : 'delete from contact_tags where contact_id = any($1::bigint[]) and tag_id = $2 returning contact_id',
    [ids, change.tagId],
  );
  const done = rows.map((row) => row.contact_id);
  await refreshSearch(tx, done);
  await tell(done, change.set === 'tag' ? `Tagged ${tag.name}` : `No longer tagged ${tag.name}`);
};

const toStage: Apply<'stage'> = async ({ stage }, { tx, accountId, ids, lines }) => {
  const rows = await tx.rows<{ id: string; stage: string }>(
    `select c.id, c.stage from contacts c join stages s on s.account_id = c.account_id and s.key = $2 and s.deleted_at is null where c.id = any($1::bigint[]) and c.stage <> $2 order by c.id for update of c`,
    [ids, stage],
  );
  await recordActivities(
    tx,
    accountId,
    rows.flatMap((row) => lines([row.id], 'stage', { fromStage: row.stage, stage })),
  );
};

const toHorizon: Apply<'horizon'> = async ({ horizon }, { tx, accountId, ids, at, tell }) => {
  const rows = await tx.rows<{ id: string }>(
    `update contacts set horizon = $2, updated_at = $3 where id = any($1::bigint[]) and horizon is distinct from $2
       and ($2::text is null or exists (select 1 from horizons h where h.account_id = contacts.account_id and h.key = $2 and h.deleted_at is null)) returning id`,
    [ids, horizon, at],
  );
  const done = rows.map(({ id }) => id);
  await restate(tx, done, at);
  const named = await tx.first<{ name: string }>('select name from horizons where account_id = $1 and key = $2', [
    accountId,
    horizon,
  ]);
  await tell(done, named ? `Horizon ${named.name}` : 'No horizon');
};

const toOwner: Apply<'owner'> = async ({ userId }, { tx, ids, at, tell }) => {
  const rows = await tx.rows<{ id: string; name: string }>(
    `update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $3 from users u where c.id = any($1::bigint[]) and u.id = $2 and u.active and u.account_id = c.account_id and c.owner_id is distinct from u.id
     returning c.id, ${nameSql('u')} as name`,
    [ids, userId, at],
  );
  const done = rows.map(({ id }) => id);
  await endOffers(tx, done, at);
  await tell(done, `Handed to ${rows[0]?.name ?? ''}`);
};

const makeTask: Apply<'task'> = async (change, { tx, accountId, ids, at, owed, lines }) => {
  const note = change.note.trim();
  if (!note) return;
  const rows = await tx.rows<{ contact_id: string }>(
    `insert into tasks (account_id, contact_id, user_id, kind, due_at, note, created_at) select account_id, id, owner_id, 'promise', $2, $3, $2 from contacts where id = any($1::bigint[]) returning contact_id`,
    [ids, at, note],
  );
  const { campaign, campaignId, day } = owed;
  const made = rows.map((row) => row.contact_id);
  await recordActivities(tx, accountId, lines(made, 'task', { text: note, campaign, campaignId, day, dueAt: at.toISOString() }));
};

const writeField: Apply<'field'> = async ({ fieldId, value }, { tx, accountId, ids, tell }) => {
  const field = (await listFields(accountId, tx)).find(({ id }) => id === fieldId);
  if (!field) return;
  for (const id of ids) await setFields(tx, accountId, id, { [fieldId]: value || null });
  await tell(ids, value ? `${field.name}: ${value}` : `${field.name} cleared`);
};

const begin: Apply<'begin'> = async ({ campaignId }, { tx, accountId, ids, because, at }) => {
  const { lines } = await enrol(tx, accountId, campaignId, ids, because, at);
  await recordActivities(tx, accountId, lines);
};

const leave: Apply<'leave'> = async ({ campaignId }, { tx, accountId, ids, at, owed }) => {
  const stopped = await endFollowUp(
    tx,
    ids.map((contactId) => ({ contactId, at, why: 'left_by' as const, other: owed.campaign, campaignId })),
  );
  await recordActivities(tx, accountId, stopped);
};

const APPLY: { [K in ContactUpdate['set']]: Apply<K> } = {
  tag: tagOrNot,
  untag: tagOrNot,
  stage: toStage,
  horizon: toHorizon,
  owner: toOwner,
  task: makeTask,
  field: writeField,
  begin,
  leave,
};

async function applyOne(tx: Tx, accountId: string, group: Owed[], at: Date): Promise<void> {
  const owed = group[0]!;
  const { change, campaign, campaignId, day } = owed;
  const because: Because = { why: 'changed_by', campaign, day };
  const lines: Applying['lines'] = (contactIds, kind, data) =>
    contactIds.map((contactId) => ({ contactId, userId: null, at, kind, channel: null, direction: null, data, because }));
  const tell: Applying['tell'] = async (contactIds, text) => {
    await recordActivities(tx, accountId, lines(contactIds, 'changed', { text, campaign, campaignId }));
  };
  const ids = [...new Set(group.map(({ contactId }) => contactId))];
  await (APPLY[change.set] as Apply<ContactUpdate['set']>)(change, { tx, accountId, ids, at, owed, because, lines, tell });
}
