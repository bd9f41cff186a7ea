/** How a contact is read: one SELECT for lists and for the Dossier, and its shape outside (the API's field names). */
import { nameSql, type RowOf } from '../shared';
import type { contactsTable } from './contacts.model';
import type { ContactView, ImportantDate } from '@/core/contacts';
import type { FieldInput } from '@/core/fields';
import { stageName } from '@/core/contacts';

export type ContactRow = Pick<
  RowOf<typeof contactsTable>,
  | 'id'
  | 'first_name'
  | 'last_name'
  | 'stage'
  | 'stage_since'
  | 'horizon'
  | 'roles'
  | 'source'
  | 'time_zone'
  | 'street'
  | 'city'
  | 'postal_code'
  | 'region'
  | 'mailing'
  | 'property'
  | 'company'
  | 'wants'
  | 'do_not_contact'
  | 'archived_because'
  | 'owner_id'
  | 'owned_since'
  | 'hand_raised_at'
  | 'last_touch_at'
  | 'next_touch_at'
  | 'next_touch_kind'
  | 'created_at'
> & {
  stage_name: string | null;
  household_do_not_contact: boolean;
  owner_name: string | null;
  next_touch_note: string | null;
  points: { kind: 'phone' | 'email'; value: string; error: string | null }[];
  tags: string[];
  dates: { kind: ImportantDate['kind']; label: string; year: number | null; month_day: number }[] | null;
  fields: Record<string, FieldInput> | null;
  attempts: number;
  reached: number;
  last_reached_at: Date | null;
  last_attempt_at: Date | null;
  talk_seconds: number;
  conversations: number;
  last_visit_at: Date | null;
  saved_homes: number;
};

/** Everything that a row of the grid or the head of the Dossier shows. Joins a contact aliased `c`. */
export const CONTACT_COLUMNS = `c.id, c.first_name, c.last_name, c.stage, sg.name as stage_name, c.stage_since, c.horizon, c.roles, c.source, c.time_zone, c.street, c.city, c.postal_code, c.region, c.mailing, c.property, c.company, c.wants,
  c.do_not_contact, coalesce((select h.do_not_contact from households h where h.id = c.household_id), false) as household_do_not_contact, c.archived_because, c.owner_id, ${nameSql('u')} as owner_name, c.owned_since, c.hand_raised_at, c.last_touch_at, c.next_touch_at,
  c.next_touch_kind, t.note as next_touch_note, c.created_at, coalesce(p.points, '[]') as points, coalesce(g.tags, '{}') as tags, dt.dates, fv.fields, f.attempts, f.reached, f.last_reached_at,
  f.last_attempt_at, f.talk_seconds, f.conversations, f.last_visit_at, f.saved_homes`;

/** The own fields of a contact `c` by their ids, as `fields`: values as JSON in the kind of each. */
export const OWN_FIELDS = `select jsonb_object_agg(field_id, value) as fields from (
    select v.field_id, case d.kind when 'number' then to_jsonb(min(v.number)) when 'money' then to_jsonb(min(v.number)) when 'flag' then to_jsonb(bool_or(v.number = 1)) when 'choices' then jsonb_agg(v.words order by v.ordinal)
      when 'date' then to_jsonb(min(v.day)) when 'yearly' then to_jsonb(coalesce(min(v.day)::text, to_char(min(v.month_day), 'FM00"-"00'))) when 'contact' then to_jsonb(min(v.linked_id)::text) else to_jsonb(min(v.words)) end as value
    from field_values v join fields d on d.id = v.field_id and d.deleted_at is null where v.contact_id = c.id group by v.field_id, d.kind) x`;

export const CONTACT_JOINS = `join contact_facts f on f.contact_id = c.id
  left join users u on u.id = c.owner_id
  left join stages sg on sg.account_id = c.account_id and sg.key = c.stage
  left join lateral (select note from tasks where contact_id = c.id and done_at is null order by due_at limit 1) t on true
  left join lateral (select jsonb_agg(jsonb_build_object('kind', kind, 'value', value, 'error', error) order by position, id) as points from contact_points where contact_id = c.id and active) p on true
  left join lateral (select array_agg(name order by name) as tags from contact_tags ct join tags tg on tg.id = ct.tag_id and tg.deleted_at is null where ct.contact_id = c.id) g on true
  left join lateral (select jsonb_agg(jsonb_build_object('kind', kind, 'label', label, 'year', year, 'month_day', month_day) order by month_day, id) as dates from contact_dates where contact_id = c.id) dt on true
  left join lateral (${OWN_FIELDS}) fv on true`;

const two = (n: number): string => String(n).padStart(2, '0');
const dateView = ({ kind, label, year, month_day }: NonNullable<ContactRow['dates']>[number]): ImportantDate => ({
  kind,
  label,
  on: `${year === null ? '-' : String(year).padStart(4, '0')}-${two(Math.floor(month_day / 100))}-${two(month_day % 100)}`,
});

export function contactView(row: ContactRow): ContactView {
  const values = (kind: 'phone' | 'email') => row.points.filter((point) => point.kind === kind).map((point) => point.value);
  return {
    id: row.id,
    first_name: row.first_name,
    last_name: row.last_name,
    emails: values('email'),
    phones: values('phone'),
    stage: { key: row.stage, name: row.stage_name ?? stageName(row.stage) },
    stage_since: row.stage_since,
    horizon: row.horizon,
    roles: row.roles,
    tags: row.tags,
    source: row.source,
    time_zone: row.time_zone,
    place: { street: row.street, city: row.city, postal_code: row.postal_code, region: row.region },
    mailing: row.mailing,
    property: row.property,
    company: row.company,
    dates: (row.dates ?? []).map(dateView),
    fields: row.fields ?? {},
    wants: row.wants,
    do_not_contact: row.do_not_contact,
    household_do_not_contact: row.household_do_not_contact,
    archived_because: row.archived_because,
    owner: row.owner_id ? { id: row.owner_id, name: row.owner_name ?? '' } : null,
    owned_since: row.owned_since,
    hand_raised_at: row.hand_raised_at,
    last_touch_at: row.last_touch_at.getTime() > 0 ? row.last_touch_at : null,
    next_touch:
      row.next_touch_at && row.next_touch_kind
        ? {
            at: row.next_touch_at,
            kind: row.next_touch_kind,
            note: row.next_touch_kind === 'rhythm' ? null : row.next_touch_note,
          }
        : null,
    calls: {
      attempts: row.attempts,
      reached: row.reached,
      last_reached_at: row.last_reached_at,
      last_attempt_at: row.last_attempt_at,
      talk_seconds: row.talk_seconds,
      conversations: row.conversations,
    },
    home_search: { last_visit_at: row.last_visit_at, saved_homes: row.saved_homes },
    address_errors: Object.fromEntries(row.points.filter((point) => point.error).map((point) => [point.value, point.error!])),
    created_at: row.created_at,
  };
}
