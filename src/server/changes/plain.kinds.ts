/** Changes that are a column or a set of the contact: tags, roles, horizon, owner. */
import type { BulkAction } from '@/core/changes';
import { endOffers, restate } from '../contacts';
import { chooseAgents } from '../routing';
import { ITEMS, itemsJson, KEEP, keepBind, type BulkActionContext, type Item, type Kind } from './kinds';

type Of<K extends BulkAction['kind']> = Extract<BulkAction, { kind: K }>;
const counted = async (doing: BulkActionContext, sql: string, bind: unknown[]): Promise<number> =>
  (await doing.tx.first<{ n: number }>(sql, bind))!.n;

/** Only adding is most of what is asked and has a statement of its own: 20 of 55 µs a person were spent on looking for tags to take away. */
const added = (doing: BulkActionContext, add: string[], ids: string[]): Promise<number> =>
  counted(
    doing,
    `with added as (insert into contact_tags (contact_id, tag_id) select id, tag from unnest($6::bigint[]) id, unnest($7::bigint[]) tag on conflict do nothing returning contact_id, tag_id),
       touched as (${
         add.length === 1
           ? `select contact_id, '{"tags": null}'::jsonb as before, jsonb_build_object('tags', jsonb_build_array(tag_id)) as after from added`
           : `select contact_id, '{"tags": null}'::jsonb as before, jsonb_build_object('tags', jsonb_agg(tag_id)) as after from added group by contact_id`
       }),
       ${KEEP} select count(*)::int as n from touched`,
    [...keepBind(doing), ids, add],
  );
const exchanged = (doing: BulkActionContext, add: string[], remove: string[], ids: string[]): Promise<number> =>
  counted(
    doing,
    `with added as (insert into contact_tags (contact_id, tag_id) select id, tag from unnest($6::bigint[]) id, unnest($7::bigint[]) tag on conflict do nothing returning contact_id, tag_id),
       removed as (delete from contact_tags where contact_id = any($6::bigint[]) and tag_id = any($8::bigint[]) returning contact_id, tag_id),
       touched as (select contact_id, jsonb_build_object('tags', jsonb_agg(tag_id) filter (where not plus)) as before, jsonb_build_object('tags', jsonb_agg(tag_id) filter (where plus)) as after
         from (select contact_id, tag_id, true as plus from added union all select contact_id, tag_id, false from removed) x group by contact_id),
       ${KEEP} select count(*)::int as n from touched`,
    [...keepBind(doing), ids, add.filter((id) => !remove.includes(id)), remove],
  );

export const tags: Kind<Of<'tags'>> = {
  leaves: ({ add, remove }, bind) =>
    `case when (select count(*) from contact_tags ct where ct.contact_id = c.id and ct.tag_id = any($${bind.push(add)}::bigint[])) = ${new Set(add).size}
       and not exists (select 1 from contact_tags ct where ct.contact_id = c.id and ct.tag_id = any($${bind.push(remove)}::bigint[])) then 'so_already' end`,
  leavesByItself: 'so_already',
  apply: (doing, { add, remove }, ids) => (remove.length ? exchanged(doing, add, remove, ids) : added(doing, add, ids)),
  undo: async (doing, _, items) => ({
    restored: await counted(
      doing,
      `with items as (select * from ${ITEMS(1)}),
         gone as (delete from contact_tags ct using items i where ct.contact_id = i.contact_id and ct.tag_id in (select t::bigint from jsonb_array_elements_text(coalesce(nullif(i.after->'tags', 'null'), '[]')) t) returning ct.contact_id),
         back as (insert into contact_tags (contact_id, tag_id) select i.contact_id, t::bigint from items i, jsonb_array_elements_text(coalesce(nullif(i.before->'tags', 'null'), '[]')) t
           where exists (select 1 from tags where id = t::bigint) on conflict do nothing returning contact_id)
       select count(distinct contact_id)::int as n from (select * from gone union all select * from back) x`,
      [itemsJson(items)],
    ),
    why: 'changed_since',
  }),
};

/** The contacts' side of a deleted tag: as tags added and taken away. */
const asTags = ({ tag_id, replace_by }: Of<'delete_tag'>): Of<'tags'> => ({
  kind: 'tags',
  add: replace_by ? [replace_by] : [],
  remove: [tag_id],
});
export const tagDeletion: Kind<Of<'delete_tag'>> = {
  leaves: () => 'null::text',
  apply: (doing, change, ids) => tags.apply(doing, asTags(change), ids),
  undo: (doing, change, items) => tags.undo(doing, asTags(change), items),
};

const ROLES = (add: number, remove: number): string =>
  `(select coalesce(array_agg(r order by r), '{}') from (select distinct r from unnest(c.roles || $${add}::text[]) r where r <> all($${remove}::text[])) x)`;
export const roles: Kind<Of<'roles'>> = {
  leaves: ({ add, remove }, bind) =>
    `case when c.roles @> $${bind.push(add)}::text[] and not c.roles && $${bind.push(remove)}::text[] then 'so_already' end`,
  apply: (doing, { add, remove }, ids) =>
    counted(
      doing,
      `with old as (select c.id, c.roles, ${ROLES(7, 8)} as wanted from contacts c where c.id = any($6::bigint[]) and not (c.roles @> $7::text[] and not c.roles && $8::text[]) order by c.id for update),
         written as (update contacts c set roles = old.wanted, updated_at = $4 from old where c.id = old.id),
         touched as (select id as contact_id, jsonb_build_object('roles', roles) as before, jsonb_build_object('roles', wanted) as after from old),
         ${KEEP} select count(*)::int as n from touched`,
      [...keepBind(doing), ids, add, remove],
    ),
  undo: async (doing, _, items) => ({
    restored: await counted(
      doing,
      `with back as (update contacts c set roles = array(select jsonb_array_elements_text(i.before->'roles')), updated_at = $2 from ${ITEMS(1)}
         where c.id = i.contact_id and to_jsonb(c.roles) = i.after->'roles' returning c.id) select count(*)::int as n from back`,
      [itemsJson(items), doing.at],
    ),
    why: 'changed_since',
  }),
};

export const horizon: Kind<Of<'horizon'>> = {
  leaves: (change, bind) => `case when c.horizon is not distinct from $${bind.push(change.horizon)} then 'so_already' end`,
  apply: async (doing, change, ids) => {
    const n = await counted(
      doing,
      `with old as (select c.id, c.horizon from contacts c where c.id = any($6::bigint[]) and c.horizon is distinct from $7 order by c.id for update),
         written as (update contacts c set horizon = $7, updated_at = $4 from old where c.id = old.id),
         touched as (select id as contact_id, jsonb_build_object('horizon', horizon) as before, jsonb_build_object('horizon', $7::text) as after from old),
         ${KEEP} select count(*)::int as n from touched`,
      [...keepBind(doing), ids, change.horizon],
    );
    await restate(doing.tx, ids, doing.at);
    return n;
  },
  undo: async (doing, _, items) => {
    const restored = await counted(
      doing,
      `with back as (update contacts c set horizon = i.before->>'horizon', updated_at = $2 from ${ITEMS(1)} where c.id = i.contact_id and c.horizon is not distinct from i.after->>'horizon' returning c.id)
       select count(*)::int as n from back`,
      [itemsJson(items), doing.at],
    );
    await restate(doing.tx, contactIds(items), doing.at);
    return { restored, why: 'changed_since' };
  },
};

/** The contacts' side of a removed horizon. */
const asHorizon = ({ replace_by }: Of<'delete_horizon'>): Of<'horizon'> => ({ kind: 'horizon', horizon: replace_by });
export const horizonDeletion: Kind<Of<'delete_horizon'>> = {
  leaves: (change, bind) => horizon.leaves(asHorizon(change), bind),
  apply: (doing, change, ids) => horizon.apply(doing, asHorizon(change), ids),
  undo: (doing, change, items) => horizon.undo(doing, asHorizon(change), items),
};

/** A deleted field is only put out of sight, with what is written in it: nothing happens to the people. */
export const fieldDeletion: Kind<Of<'delete_field'>> = {
  leaves: () => 'null::text',
  apply: async () => 0,
  undo: async () => ({ restored: 0, why: 'changed_since' }),
};

export const contactIds = (items: Item[]): string[] => items.map(({ contact_id }) => String(contact_id));

/** Whoever was handed on goes back, unless somebody handed them on since. */
const backToOwner = async (doing: BulkActionContext, items: Item[]): Promise<{ restored: number; why: 'changed_since' }> => ({
  restored: await counted(
    doing,
    `with back as (update contacts c set owner_id = (i.before->>'owner')::bigint, office_id = (i.before->>'office')::bigint, owned_since = (i.before->>'since')::timestamptz, updated_at = $2
           from ${ITEMS(1)} where c.id = i.contact_id and c.owner_id = (i.after->>'owner')::bigint returning c.id, c.owner_id),
         offered as (update offers o set user_id = back.owner_id from back where o.contact_id = back.id and o.answered_at is null and o.state in ('given','accepted') and back.owner_id is not null)
       select count(*)::int as n from back`,
    [itemsJson(items), doing.at],
  ),
  why: 'changed_since',
});

export const owner: Kind<Of<'owner'>> = {
  leaves: (change, bind) => `case when c.owner_id = $${bind.push(change.owner_id)}::bigint then 'so_already' end`,
  apply: async (doing, change, ids) => {
    const n = await counted(
      doing,
      `with old as (select c.id, c.owner_id, c.office_id, c.owned_since from contacts c where c.id = any($6::bigint[]) and c.owner_id is distinct from $7::bigint order by c.id for update),
         written as (update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $4, updated_at = $4 from old, users u where c.id = old.id and u.id = $7::bigint),
         touched as (select id as contact_id, jsonb_build_object('owner', owner_id, 'office', office_id, 'since', owned_since) as before, jsonb_build_object('owner', $7::bigint) as after from old),
         ${KEEP} select count(*)::int as n from touched`,
      [...keepBind(doing), ids, change.owner_id],
    );
    await endOffers(doing.tx, ids, doing.at);
    return n;
  },
  undo: (doing, _, items) => backToOwner(doing, items),
};

/** Each to whoever is next: the choice is made in the chunk, under the rosters' locks. */
export const handOn: Kind<Of<'hand_on'>> = {
  leaves: () => 'null::text',
  leavesByItself: 'so_already',
  apply: async (doing, change, ids) => {
    await doing.tx.run('select 1 from contacts where id = any($1::bigint[]) order by id for update', [ids]);
    const chosen = await chooseAgents(doing.tx, doing.accountId, ids, change.roster_id, doing.at);
    const n = await counted(
      doing,
      `with wanted as (select * from jsonb_to_recordset($6::jsonb) as x (id bigint, user_id bigint)),
         old as (select c.id, c.owner_id, c.office_id, c.owned_since, w.user_id from contacts c join wanted w on w.id = c.id where c.owner_id is distinct from w.user_id),
         written as (update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $4, updated_at = $4 from old, users u where c.id = old.id and u.id = old.user_id),
         touched as (select id as contact_id, jsonb_build_object('owner', owner_id, 'office', office_id, 'since', owned_since) as before, jsonb_build_object('owner', user_id) as after from old),
         ${KEEP} select count(*)::int as n from touched`,
      [...keepBind(doing), JSON.stringify([...chosen].map(([id, user_id]) => ({ id, user_id })))],
    );
    await endOffers(doing.tx, ids, doing.at);
    return n;
  },
  undo: (doing, _, items) => backToOwner(doing, items),
};
