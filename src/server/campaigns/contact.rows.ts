/** What a campaign must know of a person, read in one place for those who are due and those who are rehearsed. */
import { mailingAddress } from '../contacts';
import type { PermissionState, TouchedContact } from '@/core/campaigns';
import { firstNamesTogether, type Channel, type Stage } from '@/core/contacts';
import { mergeFields, ownField, type MergeFields } from '@/core/messages';
import type { Tree } from '@/core/segments';
import { nameSql, type Tx } from '../shared';
import { loadSenderContext, type SenderContext, type RecipientRow } from './sender-context';
import { DATES, type Dates } from './enrol.service';

export interface TouchedContactRow extends RecipientRow {
  contact_id: string;
  stage: Stage;
  time_zone: string;
  do_not_contact: boolean;
  household_says_no: boolean;
  registered: boolean | null;
  last_inquiry_at: Date | null;
  first_name: string;
  last_name: string;
  street: string | null;
  texts_out: number;
  listing: { address?: string | null; town?: string | null; price?: number | null; beds?: number | null } | null;
  city: string | null;
  postal_code: string | null;
  phone: string | null;
  phone_error: string | null;
  email: string | null;
  email_error: string | null;
  on_the_phone: boolean;
  permissions: Record<string, { state: PermissionState['state']; at: string; how: string }> | null;
  first_names: string[] | null;
  went: { at: string; channel: Channel }[];
  dates: Dates | null;
  last_in_at: Date | null;
  last_opened_at: Date | null;
  own_fields: Record<string, string> | null;
}

/** The account's own fields of a contact as words, by their names; read only when a campaign uses one. */
const OWN_FIELDS = `(select jsonb_object_agg(name, value) from (select d.name, string_agg(case d.kind when 'flag' then case when v.number = 1 then 'yes' else 'no' end when 'number' then trim_scale(v.number)::text
      when 'money' then to_char(v.number, 'FM999,999,999,999,990') when 'date' then to_char(v.day, 'FMDD Mon YYYY') when 'yearly' then to_char(to_date('2000' || lpad(v.month_day::text, 4, '0'), 'YYYYMMDD'), 'FMDD Mon')
      when 'contact' then (select ${nameSql('l')} from contacts l where l.id = v.linked_id) else v.words end, ', ' order by v.ordinal) as value
    from field_values v join fields d on d.id = v.field_id and d.deleted_at is null where v.contact_id = c.id group by d.name) own)`;

/** The home about which they asked last, with what is known of it here. */
const LISTING = `(select json_build_object('address', i.parsed->'listing'->>'address', 'town', coalesce(i.parsed->'listing'->>'city', l.city), 'price', coalesce((i.parsed->'listing'->>'price')::float8, l.price::float8), 'beds', l.beds::float8)
    from inquiries i left join listings l on l.account_id = i.account_id and l.number = i.parsed->'listing'->>'id' where i.contact_id = c.id and i.parsed->'listing'->>'address' is not null order by i.arrived_at desc limit 1)`;

/** The columns of a person: a contact `c` with facts `f`. What few plans ask for is read when the conditions say so. */
export const PERSON = (asks: { dates: string; household: string; fields: string; listing: string }): string =>
  `c.account_id, c.id as contact_id, c.owner_id, c.office_id, c.stage, c.time_zone, c.do_not_contact, coalesce(hh.do_not_contact, false) as household_says_no, ph.registered, f.last_inquiry_at,
    c.first_name, c.last_name, c.street, c.city, c.postal_code, c.mailing, ph.value as phone, ph.error as phone_error, em.value as email, em.error as email_error,
    exists (select 1 from calls k where k.contact_id = c.id and k.state <> 'ended') as on_the_phone,
    f.texts_out, f.went, f.last_in_at, f.last_opened_at, case when ${asks.dates} then ${DATES} end as dates,
    case when ${asks.household} then (select array_agg(o.first_name order by o.id <> c.id, o.id) from contacts o where o.id = c.id or (o.household_id = c.household_id and o.deleted_at is null)) end as first_names,
    case when ${asks.fields} then ${OWN_FIELDS} end as own_fields, case when ${asks.listing} then ${LISTING} end as listing,
    (select json_object_agg(channel, json_build_object('state', state, 'at', at, 'how', how)) from permissions r
      where r.account_id = c.account_id and r.address = any(array[ph.value, em.value, 'person:' || c.id])) as permissions`;
export const PERSON_JOINS = `left join households hh on hh.id = c.household_id
  left join lateral (select value, error, registered from contact_points where contact_id = c.id and kind = 'phone' and active order by error is not null, position, id limit 1) ph on true
  left join lateral (select value, error from contact_points where contact_id = c.id and kind = 'email' and active order by error is not null, position, id limit 1) em on true`;

/** A person as guardrails and words see them. */
export function contactOf(row: TouchedContactRow, sender: SenderContext, meets: (tree: Tree) => boolean): TouchedContact {
  const permission = (channel: string): PermissionState | undefined => {
    const known = row.permissions?.[channel];
    return known && { state: known.state, at: new Date(known.at), how: known.how };
  };
  return {
    id: row.contact_id,
    ownerId: row.owner_id,
    stage: row.stage,
    timeZone: row.time_zone,
    doNotContact: row.do_not_contact,
    householdSaysNo: row.household_says_no,
    registry: { registered: row.registered ?? false, inquiredAt: row.last_inquiry_at },
    onThePhone: row.on_the_phone,
    phone: row.phone,
    phoneError: row.phone_error,
    email: row.email,
    emailError: row.email_error,
    mailingAddress: mailingAddress(row),
    permissions: {
      text: permission('text'),
      call: permission('call'),
      email: permission('email'),
      letter: permission('letter'),
    },
    textedBefore: row.texts_out > 0,
    touched: row.went.map(({ at, channel }) => ({ at: new Date(at), channel })),
    dates: row.dates ?? {},
    answeredAt: row.last_in_at,
    openedAt: row.last_opened_at,
    meets,
    fields: fieldsOf(row, sender),
  };
}

/** What merge fields say of a person. */
function fieldsOf(row: TouchedContactRow, sender: SenderContext): MergeFields {
  const account = sender.account(row.account_id);
  return {
    ...mergeFields({
      firstName: row.first_name,
      firstNames: firstNamesTogether(row.first_names ?? [row.first_name]),
      lastName: row.last_name,
      town: row.city,
      street: row.street,
      office: sender.office(row.office_id),
      team: account.team,
      listing: row.listing,
      agent: sender.agent(row.owner_id),
      brokerage: account.name,
    }),
    ...Object.fromEntries(Object.entries(row.own_fields ?? {}).map(([name, value]) => [ownField(name), value])),
  };
}

/** People with what messages say of them, by id. @param asks what few words ask for is read only then */
export async function readTouchedContacts(
  tx: Tx,
  ids: readonly string[],
  asks: { household: boolean; fields: boolean; listing: boolean },
): Promise<Map<string, TouchedContact>> {
  const rows = await tx.rows<TouchedContactRow>(
    `select ${PERSON({ dates: 'false', household: String(asks.household), fields: String(asks.fields), listing: String(asks.listing) })}
     from contacts c join contact_facts f on f.contact_id = c.id ${PERSON_JOINS} where c.id = any($1::bigint[])`,
    [[...ids]],
  );
  const sender = await loadSenderContext(tx, rows);
  return new Map(rows.map((row) => [row.contact_id, contactOf(row, sender, () => false)]));
}
