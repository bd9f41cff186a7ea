/** Finding the contacts that inquiries belong to, by e-mail or phone, and bringing them up to date; who is not found is a newcomer. */
import { zoneOfPostalCode } from '@/core/capture';
import { type CleanInquiry } from '@/core/capture/schemas';
import type { Horizon } from '@/core/contacts';
import { refreshSearch } from '../contacts';
import type { Tx } from '../shared';
import { contactColumnsOf, type NewContact } from './new-contacts';

export interface MatchResult {
  contactId: string;
  matched: boolean;
  stage: string;
  timeZone: string;
  /** What is to be written of somebody new, who is not there yet. */
  newcomer: NewContact | null;
  /** The agent who has the contact already and is still here. */
  owner: { id: string; name: string } | null;
  /** Whose it is, by what decides who sees them. */
  holder: { ownerId: string | null; officeId: string | null };
}

/** Somebody who asks, and what the door gives. */
export interface Asking {
  inquiry: CleanInquiry;
  horizon: string | null;
}

interface Met {
  n: number;
  id: string;
  known: boolean;
  time_zone: string | null;
  horizon: Horizon | null;
  rhythm_days: number | null;
}

/**
 * For each inquiry the contact that has most of its addresses, among equals the oldest, locked in the order of their ids; or the id, zone and
 * horizon of a new one. The caller holds the locks of the addresses, so those of somebody new are free.
 */
export async function matchContacts(tx: Tx, accountId: string, asking: readonly Asking[], at: Date): Promise<MatchResult[]> {
  if (!asking.length) return [];
  const come = asking.map(({ inquiry: { phones, emails, timeZone, postalCode }, horizon }, n) => ({
    n,
    time_zone: timeZone ?? zoneOfPostalCode(postalCode),
    phones,
    emails,
    horizon,
  }));
  const rows = await tx.rows<Met>(
    `with come as materialized (
       select * from jsonb_to_recordset($2::jsonb) as x (n int, time_zone text, phones text[], emails text[], horizon text)
     ), point as (
       select n, 'phone' as kind, value from come, unnest(phones) value union all select n, 'email', value from come, unnest(emails) value
     ), known as materialized (
       select m.n, c.id from (
         select x.n, p.contact_id, row_number() over (partition by x.n order by count(*) desc, p.contact_id) as place
         from point x, lateral (select contact_id from contact_points where account_id = $1 and active and kind = x.kind and value = x.value offset 0) p group by x.n, p.contact_id) m
       join contacts c on c.id = m.contact_id where m.place = 1 order by c.id for update of c
     ), others as (select * from come where n not in (select n from known) order by n)
     select n, id, true as known, null as time_zone, null as horizon, null::int as rhythm_days from known
     union all select o.n, nextval('contacts_id_seq'), false, coalesce(o.time_zone, a.time_zone), h.key, h.rhythm_days
       from others o join accounts a on a.id = $1 left join horizons h on h.account_id = $1 and h.key = o.horizon and h.deleted_at is null`,
    [accountId, JSON.stringify(come)],
  );
  const known = await readKnown(
    tx,
    rows.flatMap((row) => (row.known ? [row.id] : [])),
  );
  const byPlace = new Map(rows.map((row) => [row.n, row]));
  return asking.map(({ inquiry }, n) => {
    const row = byPlace.get(n)!;
    return row.known ? known.get(row.id)! : admitted(row, inquiry, at);
  });
}

const NOBODY = { ownerId: null, officeId: null };

function admitted({ id, time_zone, horizon, rhythm_days }: Met, inquiry: CleanInquiry, at: Date): MatchResult {
  const fresh = { id, stage: 'new' as const, horizon, rhythmDays: rhythm_days, createdAt: at };
  const newcomer = { fresh, timeZone: time_zone!, inquiry };
  return { contactId: id, matched: false, stage: 'new', timeZone: time_zone!, newcomer, owner: null, holder: NOBODY };
}

/** Those who were known, by id; read after the locks were had: somebody may have accepted a lead of these people while we waited. */
async function readKnown(tx: Tx, ids: string[]): Promise<Map<string, MatchResult>> {
  if (!ids.length) return new Map();
  const rows = await tx.rows<{
    id: string;
    stage: string;
    time_zone: string;
    held_by: string | null;
    office_id: string | null;
    owner_id: string | null;
    owner: string | null;
  }>(
    `select c.id, c.stage, c.time_zone, c.owner_id as held_by, c.office_id, u.id as owner_id, u.first_name || ' ' || u.last_name as owner from contacts c left join users u on u.id = c.owner_id and u.active where c.id = any($1::bigint[])`,
    [ids],
  );
  return new Map(
    rows.map((row) => [
      row.id,
      {
        contactId: row.id,
        matched: true,
        stage: row.stage,
        timeZone: row.time_zone,
        newcomer: null,
        owner: row.owner_id ? { id: row.owner_id, name: row.owner! } : null,
        holder: { ownerId: row.held_by, officeId: row.office_id },
      },
    ]),
  );
}

/** A tag that an inquiry brings to somebody. */
export interface Tagged {
  contact_id: string;
  name: string;
  /** Whether it is made where there is none of that name. */
  makes: boolean;
}

/** The tags of inquiries, with their towns and postal codes when the account wants those as tags. */
export const tagsOf = (
  people: readonly { person: MatchResult; inquiry: CleanInquiry; makesTags: boolean }[],
  tagPlaces: boolean,
): Tagged[] =>
  people.flatMap(({ person: { contactId: contact_id }, inquiry: { tags, city, postalCode }, makesTags }) => [
    ...tags.map((name) => ({ contact_id, name, makes: makesTags })),
    ...(tagPlaces ? [city, postalCode] : []).flatMap((name) => (name ? [{ contact_id, name, makes: true }] : [])),
  ]);

/**
 * Adds to each what its inquiry tells that was not known: addresses, roles, wants, an empty name or place of those who are known; the tags of all.
 * Nothing known is overwritten. No two of them are the same person.
 */
export async function complete(
  tx: Tx,
  accountId: string,
  people: readonly { person: MatchResult; inquiry: CleanInquiry }[],
  tags: readonly Tagged[],
  at: Date,
): Promise<void> {
  const known = people.filter(({ person }) => person.matched);
  if (known.length) await tell(tx, accountId, known, at);
  if (tags.length) await addTags(tx, accountId, tags);
  if (known.length)
    await refreshSearch(
      tx,
      known.map(({ person }) => person.contactId),
    );
}

/**
 * What is told of people who are known, added to each. An address that another contact holds stays there and is noted here: the two may be
 * one, which is for a person to say. They are locked in the order of their ids, so that two floods of the same people do not lock each other out.
 */
async function tell(
  tx: Tx,
  accountId: string,
  people: readonly { person: MatchResult; inquiry: CleanInquiry }[],
  at: Date,
): Promise<void> {
  const told = people.map(({ person, inquiry }) => ({ ...contactColumnsOf(inquiry), id: person.contactId }));
  await tx.run(
    `with told as materialized (select * from jsonb_to_recordset($2::jsonb) as x (id bigint, first_name text, last_name text, roles text[], street text, city text, postal_code text, wants jsonb, phones text[], emails text[], extensions jsonb)),
       locked as materialized (select id from contacts where id in (select id from told) order by id for update),
       named as (select t.id, x.kind, x.value, t.extensions->>x.value as extension, x.n + (select coalesce(max(position) + 1, 0) from contact_points where contact_id = t.id) as position
         from told t, lateral (select 'phone' as kind, value, ordinality::int - 1 as n from unnest(t.phones) with ordinality as p (value, ordinality)
           union all select 'email', value, ordinality::int - 1 from unnest(t.emails) with ordinality as e (value, ordinality)) x),
       owned as (insert into contact_points (account_id, contact_id, kind, value, position, extension) select $1, id, kind, value, position, extension from named
         on conflict (account_id, kind, value) where active do nothing returning kind, value),
       noted as (insert into contact_points (account_id, contact_id, kind, value, position, active) select $1, id, kind, value, position, false from named
         where (kind, value) not in (select kind, value from owned) and not exists (select 1 from contact_points h where h.contact_id = named.id and h.kind = named.kind and h.value = named.value))
     update contacts c set first_name = case when c.first_name = '' and c.last_name = '' then t.first_name else c.first_name end, last_name = case when c.first_name = '' and c.last_name = '' then t.last_name else c.last_name end,
       roles = (select coalesce(array_agg(distinct r), '{}') from unnest(c.roles || t.roles) r), street = coalesce(c.street, t.street), city = coalesce(c.city, t.city), postal_code = coalesce(c.postal_code, t.postal_code),
       wants = t.wants || c.wants, updated_at = $3 from told t join locked l on l.id = t.id where c.id = t.id`,
    [accountId, JSON.stringify(told), at],
  );
}

const addTags = (tx: Tx, accountId: string, tags: readonly Tagged[]): Promise<void> =>
  tx.run(
    `with wanted as (select * from jsonb_to_recordset($2::jsonb) as x (contact_id bigint, name text, makes boolean)),
       made as (insert into tags (account_id, name) select distinct on (lower(name)) $1::bigint, name from wanted where makes on conflict (account_id, lower(name)) where deleted_at is null do update set name = tags.name returning id, name),
       there as (select id, name from made union select id, name from tags where account_id = $1 and deleted_at is null and lower(name) in (select lower(name) from wanted where not makes))
     insert into contact_tags (contact_id, tag_id) select w.contact_id, m.id from wanted w join there m on lower(m.name) = lower(w.name) on conflict do nothing`,
    [accountId, JSON.stringify(tags)],
  );
