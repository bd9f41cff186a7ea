/** Changes that end or begin something: stage, campaigns, call tasks, permissions, deletion. They go through the functions that one contact goes through. */
import type { BulkAction } from '@/core/changes';
import { FOLLOWED_UP, type Activity, type Because } from '@/core/contacts';
import { enrol, staysOut } from '../campaigns';
import {
  changePermissions,
  endFollowUp,
  firstAddressSql,
  forgetSearch,
  permissionActivity,
  putBackPermissions,
  recordActivities,
  refreshSearch,
  restate,
  type PermissionChange,
} from '../contacts';
import { ITEMS, itemsJson, KEEP, keepBind, type BulkActionContext, type Kind } from './kinds';
import { contactIds } from './plain.kinds';

type Of<K extends BulkAction['kind']> = Extract<BulkAction, { kind: K }>;

const line = (
  doing: BulkActionContext,
  contactId: string,
  kind: Activity['kind'],
  data: Activity['data'],
  because: Because | null = null,
): Activity => ({
  contactId,
  userId: doing.userId,
  at: doing.at,
  kind,
  channel: null,
  direction: null,
  data,
  because,
});
const keepItems = (doing: BulkActionContext, items: { contact_id: string; before: object; after: object }[]): Promise<void> =>
  doing.tx.run(
    `insert into change_items (change_id, contact_id, before, after) select $1, i.contact_id, i.before, i.after from ${ITEMS(2)}`,
    [doing.changeId, JSON.stringify(items)],
  );

export const stage: Kind<Of<'stage'>> = {
  leaves: (change, bind) =>
    `case when c.stage = $${bind.push(change.stage)} then 'so_already' ${change.stage === 'new' ? `when f.attempts > 0 or f.last_human_out_at is not null or f.last_in_at is not null then 'tried_already'` : ''} end`,
  apply: async (doing, change, ids) => {
    const rows = await doing.tx.rows<{ id: string; stage: string; stage_since: Date; archived_because: string | null }>(
      `select c.id, c.stage, c.stage_since, c.archived_because from contacts c join contact_facts f on f.contact_id = c.id where c.id = any($1::bigint[]) and c.stage <> $2
         ${change.stage === 'new' ? 'and f.attempts = 0 and f.last_human_out_at is null and f.last_in_at is null' : ''} order by c.id for update of c`,
      [ids, change.stage],
    );
    if (!rows.length) return 0;
    const because = change.stage === 'archived' ? (change.archived_because ?? null) : null;
    await doing.tx.run('update contacts set archived_because = $2 where id = any($1::bigint[])', [
      rows.map(({ id }) => id),
      because,
    ]);
    await keepItems(
      doing,
      rows.map((row) => ({
        contact_id: row.id,
        before: { stage: row.stage, since: row.stage_since, because: row.archived_because },
        after: { stage: change.stage },
      })),
    );
    await recordActivities(
      doing.tx,
      doing.accountId,
      rows.map((row) => line(doing, row.id, 'stage', { fromStage: row.stage, stage: change.stage })),
    );
    return rows.length;
  },
  undo: async (doing, change, items) => {
    const rows = await doing.tx.rows<{ id: string; stage: string }>(
      `update contacts c set archived_because = i.before->>'because' from ${ITEMS(1)} where c.id = i.contact_id and c.stage = i.after->>'stage' returning c.id, i.before->>'stage' as stage`,
      [itemsJson(items)],
    );
    await recordActivities(
      doing.tx,
      doing.accountId,
      rows.map((row) => line(doing, row.id, 'stage', { fromStage: change.stage, stage: row.stage })),
    );
    /* They stand there as long as before. Missing in changes of long ago. */
    await doing.tx.run(
      `update contacts c set stage_since = (i.before->>'since')::timestamptz from ${ITEMS(1)} where c.id = i.contact_id and c.id = any($2::bigint[]) and i.before ? 'since'`,
      [itemsJson(items), rows.map(({ id }) => id)],
    );
    return { restored: rows.length, why: 'changed_since' };
  },
};

/** The contacts' side of a removed stage. */
const asStage = ({ replace_by }: Of<'delete_stage'>): Of<'stage'> => ({ kind: 'stage', stage: replace_by });
export const stageDeletion: Kind<Of<'delete_stage'>> = {
  leaves: (change, bind) => stage.leaves(asStage(change), bind),
  apply: (doing, change, ids) => stage.apply(doing, asStage(change), ids),
  undo: (doing, change, items) => stage.undo(doing, asStage(change), items),
};

export const campaign: Kind<Of<'campaign'>> = {
  leaves: (change, bind) => staysOut(`$${bind.push(change.campaign_id)}::bigint`, `$${bind.push([...FOLLOWED_UP])}`),
  apply: async (doing, change, ids) => {
    const { tx, at, accountId, by } = doing;
    const name = (await tx.first<{ name: string }>('select name from campaigns where id = $1', [change.campaign_id]))?.name ?? '';
    const because: Because = { why: 'put_in_by', campaign: name, by };
    const { made, lines } = await enrol(tx, accountId, change.campaign_id, ids, because, at, 'by_hand');
    await keepItems(
      doing,
      made.map((one) => ({ contact_id: one.contact_id, before: {}, after: { enrollment: one.id } })),
    );
    await recordActivities(
      tx,
      accountId,
      lines.map((one) => ({ ...one, userId: doing.userId })),
    );
    return made.length;
  },
  undo: async (doing, _, items) => {
    const stopped = await endFollowUp(
      doing.tx,
      items.map((item) => ({
        contactId: String(item.contact_id),
        at: doing.at,
        why: 'stopped_by' as const,
        by: doing.by,
        enrollmentId: String(item.after.enrollment),
      })),
    );
    await recordActivities(doing.tx, doing.accountId, stopped);
    return { restored: stopped.length, why: 'went_on' };
  },
};

export const callList: Kind<Of<'call_list'>> = {
  leaves: () =>
    `case when c.do_not_contact then 'do_not_contact' when not exists (select 1 from contact_points cp where cp.contact_id = c.id and cp.active and cp.kind = 'phone') then 'no_address' end`,
  apply: async (doing, change, ids) => {
    const row = await doing.tx.first<{ n: number }>(
      `with due as (select c.id, c.owner_id from contacts c where c.id = any($6::bigint[]) and not c.do_not_contact and exists (select 1 from contact_points cp where cp.contact_id = c.id and cp.active and cp.kind = 'phone')),
         made as (insert into tasks (account_id, contact_id, user_id, kind, due_at, note, created_at) select $2, id, owner_id, 'call', $4, $7, $4 from due returning id, contact_id),
         touched as (select contact_id, '{}'::jsonb as before, jsonb_build_object('task', id) as after from made), ${KEEP} select count(*)::int as n from touched`,
      [...keepBind(doing), ids, change.note],
    );
    await restate(doing.tx, ids, doing.at);
    return row!.n;
  },
  undo: async (doing, _, items) => {
    const row = await doing.tx.first<{ n: number }>(
      `with gone as (delete from tasks t using ${ITEMS(1)} where t.id = (i.after->>'task')::bigint and t.done_at is null returning t.id) select count(*)::int as n from gone`,
      [itemsJson(items)],
    );
    await restate(doing.tx, contactIds(items), doing.at);
    return { restored: row!.n, why: 'went_on' };
  },
};

export const permission: Kind<Of<'permission'>> = {
  leaves: (change, bind) => {
    const channel = `$${bind.push(change.channel)}`;
    const state = `$${bind.push(change.state)}`;
    const held = (what: string) =>
      `exists (select 1 from permissions p where p.account_id = c.account_id and p.channel = ${channel} and p.address = ${firstAddressSql(change.channel)} and ${what})`;
    return `case when ${firstAddressSql(change.channel)} is null then 'no_address' when ${held(`p.state = ${state}`)} then 'so_already' ${change.state === 'granted' ? `when ${held('p.for_good')} then 'said_stop'` : ''} end`;
  },
  apply: async (doing, change, ids) => {
    const { tx } = doing;
    const bind: unknown[] = [ids];
    const rows = await tx.rows<{ id: string; address: string }>(
      `select c.id, ${firstAddressSql(change.channel)} as address from contacts c where c.id = any($1::bigint[]) and (${permission.leaves(change, bind)}) is null order by c.id`,
      bind,
    );
    if (!rows.length) return 0;
    const before = new Map(
      (
        await tx.rows<{ address: string; state: string; how: string; evidence: string | null; at: Date }>(
          'select address, state, how, evidence, at from permissions where account_id = $1 and channel = $2 and address = any($3::text[])',
          [doing.accountId, change.channel, rows.map(({ address }) => address)],
        )
      ).map((row) => [row.address, row]),
    );
    const changes: (PermissionChange & { contactId: string })[] = rows.map(({ id, address }) => ({
      contactId: id,
      channel: change.channel,
      address,
      state: change.state,
      how: change.evidence ? `${doing.by} for many: ${change.evidence}` : `${doing.by} for many`,
      evidence: change.evidence,
      userId: doing.userId,
      at: doing.at,
    }));
    const took = (await changePermissions(tx, doing.accountId, changes)) as typeof changes;
    await keepItems(
      doing,
      took.map((one) => ({
        contact_id: one.contactId,
        before: { permission: before.get(one.address) ?? null },
        after: { address: one.address, state: one.state },
      })),
    );
    await recordActivities(
      tx,
      doing.accountId,
      took.map((one) => permissionActivity(one.contactId, one)),
    );
    return took.length;
  },
  undo: async (doing, change, items) => {
    const whose = new Map(items.map((item) => [String(item.after.address), String(item.contact_id)]));
    const rows = await putBackPermissions(
      doing.tx,
      doing.accountId,
      items.map(({ before, after }) => ({
        channel: change.channel,
        address: String(after.address),
        state: String(after.state),
        before: before.permission as object | null,
      })),
      { why: 'the bulk change was undone', userId: doing.userId, at: doing.at },
    );
    await recordActivities(
      doing.tx,
      doing.accountId,
      rows.map((row) => ({
        ...line(doing, whose.get(row.address)!, 'permission', {
          text: `As before: ${row.state === 'granted' ? 'yes' : row.state === 'withdrawn' ? 'no' : 'not said'}; the bulk change was undone`,
          to: row.address,
        }),
        channel: change.channel,
      })),
    );
    return { restored: rows.length, why: 'changed_since' };
  },
};

export const remove: Kind<Of<'delete'>> = {
  leaves: () => 'null::text',
  apply: async (doing, _, ids) => {
    const row = await doing.tx.first<{ n: number }>(
      `with old as (select c.id from contacts c where c.id = any($6::bigint[]) and c.deleted_at is null order by c.id for update),
         written as (update contacts c set deleted_at = $4, updated_at = $4 from old where c.id = old.id),
         freed as (update contact_points p set active = false from old where p.contact_id = old.id and p.active returning p.contact_id, p.id),
         held as (update outbox o set state = 'held', error = 'The person was deleted' from old where o.contact_id = old.id and o.state = 'waiting'),
         touched as (select id as contact_id, jsonb_build_object('points', (select jsonb_agg(f.id) from freed f where f.contact_id = old.id)) as before, jsonb_build_object('deleted_at', $4::timestamptz) as after from old),
         ${KEEP} select count(*)::int as n from touched`,
      [...keepBind(doing), ids],
    );
    const ends = await endFollowUp(
      doing.tx,
      ids.map((contactId) => ({ contactId, at: doing.at, why: 'removed_by' as const, by: doing.by })),
    );
    await recordActivities(doing.tx, doing.accountId, ends);
    await forgetSearch(doing.tx, ids);
    return row!.n;
  },
  undo: async (doing, _, items) => {
    const row = await doing.tx.first<{ n: number }>(
      `with items as (select * from ${ITEMS(1)}),
         back as (update contacts c set deleted_at = null, updated_at = $2 from items i where c.id = i.contact_id and c.deleted_at is not null returning c.id),
         points as (update contact_points p set active = true from items i join back on back.id = i.contact_id
           where p.contact_id = i.contact_id and p.id in (select x::bigint from jsonb_array_elements_text(coalesce(nullif(i.before->'points', 'null'), '[]')) x)
             and not exists (select 1 from contact_points o where o.contact_id = p.contact_id and o.kind = p.kind and o.value = p.value and o.active))
       select count(*)::int as n from back`,
      [itemsJson(items), doing.at],
    );
    await refreshSearch(doing.tx, contactIds(items));
    return { restored: row!.n, why: 'changed_since' };
  },
};
