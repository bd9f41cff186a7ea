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

async function applyOne(tx: Tx, accountId: string, group: Owed[], at: Date): Promise<void> {
  const { change, campaign, campaignId, day } = group[0]!;
  const ids = [...new Set(group.map(({ contactId }) => contactId))];
  const because: Because = { why: 'changed_by', campaign, day };
  const lines = (contactIds: readonly string[], kind: Activity['kind'], data: Activity['data']): Activity[] =>
    contactIds.map((contactId) => ({ contactId, userId: null, at, kind, channel: null, direction: null, data, because }));
  const tell = async (contactIds: readonly string[], text: string): Promise<void> => {
    await recordActivities(tx, accountId, lines(contactIds, 'changed', { text, campaign, campaignId }));
  };
  switch (change.set) {
    case 'tag':
    case 'untag': {
      const tag = await tx.first<{ name: string }>(
        'select name from tags where id = $1 and account_id = $2 and deleted_at is null',
        [change.tagId, accountId],
      );
      if (!tag) return;
      const rows = await tx.rows<{ contact_id: string }>(
        change.set === 'tag'
          ? 'insert into contact_tags (contact_id, tag_id) select id, $2 from unnest($1::bigint[]) id on conflict do nothing returning contact_id'
          : 'delete from contact_tags where contact_id = any($1::bigint[]) and tag_id = $2 returning contact_id',
        [ids, change.tagId],
      );
      const done = rows.map((row) => row.contact_id);
      await refreshSearch(tx, done);
      return tell(done, change.set === 'tag' ? `Tagged ${tag.name}` : `No longer tagged ${tag.name}`);
    }
    case 'stage': {
      const rows = await tx.rows<{ id: string; stage: string }>(
        `select c.id, c.stage from contacts c join stages s on s.account_id = c.account_id and s.key = $2 and s.deleted_at is null where c.id = any($1::bigint[]) and c.stage <> $2 order by c.id for update of c`,
        [ids, change.stage],
      );
      await recordActivities(
        tx,
        accountId,
        rows.flatMap((row) => lines([row.id], 'stage', { fromStage: row.stage, stage: change.stage })),
      );
      return undefined;
    }
    case 'horizon': {
      const rows = await tx.rows<{ id: string }>(
        `update contacts set horizon = $2, updated_at = $3 where id = any($1::bigint[]) and horizon is distinct from $2
           and ($2::text is null or exists (select 1 from horizons h where h.account_id = contacts.account_id and h.key = $2 and h.deleted_at is null)) returning id`,
        [ids, change.horizon, at],
      );
      const done = rows.map(({ id }) => id);
      await restate(tx, done, at);
      const name = change.horizon
        ? (
            await tx.first<{ name: string }>('select name from horizons where account_id = $1 and key = $2', [
              accountId,
              change.horizon,
            ])
          )?.name
        : null;
      return tell(done, name ? `Horizon ${name}` : 'No horizon');
    }
    case 'owner': {
      const rows = await tx.rows<{ id: string; name: string }>(
        `update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $3 from users u where c.id = any($1::bigint[]) and u.id = $2 and u.active and u.account_id = c.account_id and c.owner_id is distinct from u.id
         returning c.id, ${nameSql('u')} as name`,
        [ids, change.userId, at],
      );
      const done = rows.map(({ id }) => id);
      await endOffers(tx, done, at);
      return tell(done, `Handed to ${rows[0]?.name ?? ''}`);
    }
    case 'task': {
      if (!change.note.trim()) return undefined;
      const rows = await tx.rows<{ contact_id: string }>(
        `insert into tasks (account_id, contact_id, user_id, kind, due_at, note, created_at) select account_id, id, owner_id, 'promise', $2, $3, $2 from contacts where id = any($1::bigint[]) returning contact_id`,
        [ids, at, change.note.trim()],
      );
      await recordActivities(
        tx,
        accountId,
        lines(
          rows.map((row) => row.contact_id),
          'task',
          { text: change.note.trim(), campaign, campaignId, day, dueAt: at.toISOString() },
        ),
      );
      return undefined;
    }
    case 'field': {
      const field = (await listFields(accountId, tx)).find(({ id }) => id === change.fieldId);
      if (!field) return undefined;
      for (const id of ids) await setFields(tx, accountId, id, { [change.fieldId]: change.value || null });
      return tell(ids, change.value ? `${field.name}: ${change.value}` : `${field.name} is empty now`);
    }
    case 'begin': {
      const { lines: begun } = await enrol(tx, accountId, change.campaignId, ids, because, at);
      await recordActivities(tx, accountId, begun);
      return undefined;
    }
    case 'leave': {
      const stopped = await endFollowUp(
        tx,
        ids.map((contactId) => ({ contactId, at, why: 'left_by' as const, other: campaign, campaignId: change.campaignId })),
      );
      await recordActivities(tx, accountId, stopped);
      return undefined;
    }
  }
}
