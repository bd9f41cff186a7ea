/** Setting one of the account's own fields for many. */
import type { BulkAction } from '@/core/changes';
import { fieldRows, type FieldRow } from '@/core/fields';
import { listFields } from '../contacts';
import { notFound } from '@/core/shared';
import { ITEMS, itemsJson, KEEP, keepBind, type Kind } from './kinds';

type FieldChange = Extract<BulkAction, { kind: 'field' }>;
const ROWS = `jsonb_to_recordset($7::jsonb) as r (ordinal smallint, words text, number numeric, day date, month_day int, linked_id bigint)`;
/** The values of a contact's field as one JSON array. */
const STANDS = (contact: string, field: string): string =>
  `coalesce((select jsonb_agg(to_jsonb(v) - 'field_id' - 'contact_id' order by v.ordinal) from field_values v where v.contact_id = ${contact} and v.field_id = ${field}), '[]')`;

export const field: Kind<FieldChange> = {
  leaves: (change, bind) =>
    change.value === null || change.value === ''
      ? `case when not exists (select 1 from field_values v where v.contact_id = c.id and v.field_id = $${bind.push(change.field_id)}::bigint) then 'so_already' end`
      : 'null::text',
  apply: async (doing, change, ids) => {
    const def = (await listFields(doing.accountId, doing.tx)).find(({ id }) => id === change.field_id);
    if (!def) throw notFound('field');
    const rows: FieldRow[] = fieldRows(def, change.value);
    const counted = await doing.tx.first<{ n: number }>(
      `with old as (select c.id, ${STANDS('c.id', '$8::bigint')} as stood from contacts c where c.id = any($6::bigint[])),
         wanted as (select coalesce(jsonb_agg(jsonb_build_object('ordinal', ordinal, 'words', words, 'number', number, 'day', day, 'month_day', month_day, 'linked_id', linked_id) order by ordinal), '[]') as stands from ${ROWS}),
         differs as (select old.* from old, wanted where old.stood <> wanted.stands),
         touched as (select id as contact_id, jsonb_build_object('rows', stood) as before, jsonb_build_object('rows', wanted.stands) as after from differs, wanted),
         ${KEEP}, put as (insert into field_values (field_id, contact_id, ordinal, words, number, day, month_day, linked_id)
           select $8, differs.id, r.ordinal, r.words, r.number, r.day, r.month_day, r.linked_id from differs, ${ROWS}
           on conflict (contact_id, field_id, ordinal) do update set words = excluded.words, number = excluded.number, day = excluded.day, month_day = excluded.month_day, linked_id = excluded.linked_id),
         cut as (delete from field_values v using differs where v.contact_id = differs.id and v.field_id = $8 and v.ordinal >= $9)
       select count(*)::int as n from touched`,
      [...keepBind(doing), ids, JSON.stringify(rows), change.field_id, rows.length],
    );
    return counted!.n;
  },
  undo: async (doing, change, items) => {
    const back = await doing.tx.rows<{ contact_id: string }>(
      `select i.contact_id from ${ITEMS(1)} where ${STANDS('i.contact_id', '$2::bigint')} = i.after->'rows'`,
      [itemsJson(items), change.field_id],
    );
    const same = new Set(back.map(({ contact_id }) => String(contact_id)));
    const mine = items.filter((item) => same.has(String(item.contact_id)));
    await doing.tx.run('delete from field_values where field_id = $1 and contact_id = any($2::bigint[])', [
      change.field_id,
      [...same],
    ]);
    await doing.tx.run(
      `insert into field_values (field_id, contact_id, ordinal, words, number, day, month_day, linked_id)
       select $2, i.contact_id, r.ordinal, r.words, r.number, r.day, r.month_day, r.linked_id from ${ITEMS(1)},
         jsonb_to_recordset(i.before->'rows') as r (ordinal smallint, words text, number numeric, day date, month_day int, linked_id bigint)`,
      [itemsJson(mine), change.field_id],
    );
    return { restored: mine.length, why: 'changed_since' };
  },
};
