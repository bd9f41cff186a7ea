/** Contacts on their way out, chunk after chunk in the order of their ids, so that memory does not grow with the file. */
import type { Scope } from '@/core/accounts';
import { CHANNEL_KEYS, type Channel } from '@/core/contacts';
import type { OutgoingPerson } from '@/core/columns';
import { selectionSql, type Selection } from '../changes';
import { firstAddressSql, OWN_FIELDS, pointKind } from '../contacts';
import { nameSql, reader } from '../shared';

const CHUNK = 2_000;
/** What was said of all addresses of a channel alike; null where they differ, or nothing was. */
const permissionState = (channel: Channel): string =>
  pointKind(channel)
    ? `(select case when count(*) > 0 and min(coalesce(p.state, '')) = max(coalesce(p.state, '')) then nullif(min(coalesce(p.state, '')), '') end from contact_points cp
     left join permissions p on p.account_id = c.account_id and p.channel = '${channel}' and p.address = cp.value where cp.contact_id = c.id and cp.active and cp.kind = '${pointKind(channel)}')`
    : `(select state from permissions p where p.account_id = c.account_id and p.channel = '${channel}' and p.address = ${firstAddressSql(channel)})`;
const PERMISSIONS = CHANNEL_KEYS.map((channel) => `'${channel}', ${permissionState(channel)}`).join(', ');

const PERSON = `select c.id, c.first_name, c.last_name, c.company, c.street, c.city, c.region, c.postal_code, c.country, c.household_id as household, c.roles, coalesce(sg.name, c.stage) as stage, coalesce(hz.name, c.horizon) as horizon, c.wants, c.source,
  ${nameSql('u')} as agent, to_char(c.created_at, 'YYYY-MM-DD') as added,
  coalesce((select array_agg(value order by position, id) from contact_points where contact_id = c.id and active and kind = 'email'), '{}') as emails,
  coalesce((select jsonb_agg(jsonb_build_object('number', value, 'extension', extension) order by position, id) from contact_points where contact_id = c.id and active and kind = 'phone'), '[]') as phones,
  coalesce((select array_agg(t.name order by lower(t.name)) from contact_tags ct join tags t on t.id = ct.tag_id and t.deleted_at is null where ct.contact_id = c.id), '{}') as tags,
  coalesce((select jsonb_agg(jsonb_build_object('kind', kind, 'label', label, 'on', case when year is null then '-' else lpad(year::text, 4, '0') end || '-' || to_char(month_day / 100, 'FM00') || '-' || to_char(month_day % 100, 'FM00')) order by id)
    from contact_dates where contact_id = c.id), '[]') as dates,
  jsonb_strip_nulls(jsonb_build_object(${PERMISSIONS})) as permissions,
  coalesce((${OWN_FIELDS}), '{}') as fields
  from contacts c left join stages sg on sg.account_id = c.account_id and sg.key = c.stage left join horizons hz on hz.account_id = c.account_id and hz.key = c.horizon left join users u on u.id = c.owner_id`;

/** How many a selection holds. */
export async function countOutgoing(scope: Scope, selection: Selection): Promise<number> {
  const bind: unknown[] = [];
  const selected = await selectionSql(scope, selection, bind);
  return (await reader().first<{ n: number }>(`select count(*)::int as n from (${selected}) chosen`, bind))!.n;
}

export async function* outgoingPeople(scope: Scope, selection: Selection): AsyncGenerator<OutgoingPerson[]> {
  for (let after = '0'; ;) {
    const bind: unknown[] = [];
    const selected = await selectionSql(scope, selection, bind);
    const people = await reader().rows<OutgoingPerson>(
      `with page as materialized (select id from (${selected}) chosen where id > $${bind.push(after)}::bigint order by id limit ${CHUNK}) ${PERSON} join page on page.id = c.id order by c.id`,
      bind,
    );
    if (!people.length) return;
    after = people.at(-1)!.id;
    yield people;
  }
}
