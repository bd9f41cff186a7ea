/** Finding the contact an inquiry belongs to, by e-mail or phone, and bringing it up to date; or making a new one. */
import { zoneOfPostalCode } from '@/core/capture';
import { type CleanInquiry } from '@/core/capture/schemas';
import type { Horizon } from '@/core/contacts';
import { learnWords, refreshSearch, type Fresh } from '../contacts';
import type { Tx } from '../shared';

export interface Admitted {
  contactId: string;
  matched: boolean;
  stage: string;
  timeZone: string;
  /** How it stands, when it was made just now. */
  fresh: Fresh | null;
  /** The agent who has the contact already and is still here. */
  owner: { id: string; name: string } | null;
}

/** The contact that has most of the addresses; among equals the oldest. Null for somebody new. */
export async function matchContact(tx: Tx, accountId: string, inquiry: CleanInquiry): Promise<Admitted | null> {
  const found = await tx.first<{ id: string }>(
    `select c.id from (select contact_id, count(*) as n from contact_points where account_id = $1 and active and ((kind = 'email' and value = any($2::text[])) or (kind = 'phone' and value = any($3::text[]))) group by contact_id) m
     join contacts c on c.id = m.contact_id order by m.n desc, c.id limit 1 for update of c`,
    [accountId, inquiry.emails, inquiry.phones],
  );
  if (!found) return null;
  /** Read after the lock was had: somebody may have accepted this person's lead while we waited. */
  const row = await tx.first<{ id: string; stage: string; time_zone: string; owner_id: string | null; owner: string | null }>(
    `select c.id, c.stage, c.time_zone, u.id as owner_id, u.first_name || ' ' || u.last_name as owner from contacts c left join users u on u.id = c.owner_id and u.active where c.id = $1`,
    [found.id],
  );
  return {
    contactId: row!.id,
    matched: true,
    stage: row!.stage,
    timeZone: row!.time_zone,
    fresh: null,
    owner: row!.owner_id ? { id: row!.owner_id, name: row!.owner! } : null,
  };
}

/** The tags of an inquiry, with its town and postal code when the account wants them as tags. */
function tagsOf(inquiry: CleanInquiry, tagPlaces: boolean): string[] {
  return tagPlaces
    ? ([...inquiry.tags, ...[inquiry.city, inquiry.postalCode].filter((place) => place !== null && place !== '')] as string[])
    : inquiry.tags;
}

/** Makes the contact, or adds what the inquiry tells that was not known: addresses, roles, tags, wants, an empty name or place. Nothing known is overwritten. */
export async function admit(
  tx: Tx,
  accountId: string,
  known: Admitted | null,
  inquiry: CleanInquiry,
  given: { tagPlaces: boolean; horizon: string | null },
  at: Date,
): Promise<Admitted> {
  const tags = tagsOf(inquiry, given.tagPlaces);
  if (!known) {
    const admitted = await create(tx, accountId, inquiry, given.horizon, at);
    if (tags.length) {
      await addTags(tx, accountId, admitted.contactId, tags);
      await refreshSearch(tx, [admitted.contactId]);
    }
    return admitted;
  }
  await complete(tx, known.contactId, inquiry, at);
  await addPoints(tx, accountId, known.contactId, inquiry);
  if (tags.length) await addTags(tx, accountId, known.contactId, tags);
  await refreshSearch(tx, [known.contactId]);
  return known;
}

/** A new contact with its facts, addresses and search text in one statement; the addresses are free, or the contact would have matched. */
async function create(tx: Tx, accountId: string, inquiry: CleanInquiry, horizon: string | null, at: Date): Promise<Admitted> {
  const row = await tx.first<{ id: string; time_zone: string; horizon: Horizon | null; rhythm_days: number | null }>(
    `with made as (
       insert into contacts (account_id, first_name, last_name, stage, stage_since, roles, source, time_zone, street, city, postal_code, wants, created_at, updated_at, horizon)
       select $1, $2, $3, 'new', $4, $5::text[], $6, coalesce($7, a.time_zone), $8, $9, $10, $11::jsonb, $4, $4, (select key from horizons where account_id = $1 and key = $15 and deleted_at is null) from accounts a where a.id = $1 returning id, time_zone, horizon
     ), facts as (insert into contact_facts (contact_id) select id from made),
     points as (
       insert into contact_points (account_id, contact_id, kind, value, position, extension)
       select $1, made.id, x.kind, x.value, x.n, $16::jsonb->>x.value from made, (
         select 'phone' as kind, value, ordinality::int - 1 as n from unnest($12::text[]) with ordinality as p (value, ordinality)
         union all select 'email', value, ordinality::int - 1 from unnest($13::text[]) with ordinality as e (value, ordinality)) x
     ), search as (insert into contact_search (contact_id, account_id, search_text) select id, $1, ' ' || lower(unaccent($14)) from made),
     learned as (${learnWords(`select $1::bigint as account_id, concat_ws(' ', $2::text, $3::text, $9::text) as text`)})
     select id, time_zone, horizon, (select rhythm_days from horizons h where h.account_id = $1 and h.key = made.horizon) as rhythm_days from made`,
    [
      accountId,
      inquiry.firstName,
      inquiry.lastName,
      at,
      inquiry.roles,
      inquiry.source,
      inquiry.timeZone ?? zoneOfPostalCode(inquiry.postalCode),
      inquiry.street,
      inquiry.city,
      inquiry.postalCode,
      JSON.stringify(inquiry.wants),
      inquiry.phones,
      inquiry.emails,
      [
        inquiry.firstName,
        inquiry.lastName,
        inquiry.city,
        inquiry.postalCode,
        ...inquiry.phones.map((phone) => phone.replace(/\D/g, '')),
        ...inquiry.emails,
      ]
        .filter(Boolean)
        .join(' '),
      horizon,
      JSON.stringify(inquiry.extensions),
    ],
  );
  const { id } = row!;
  const fresh: Fresh = { id, stage: 'new', horizon: row!.horizon, rhythmDays: row!.rhythm_days, createdAt: at };
  return { contactId: id, matched: false, stage: 'new', timeZone: row!.time_zone, fresh, owner: null };
}

const complete = (tx: Tx, contactId: string, inquiry: CleanInquiry, at: Date): Promise<void> =>
  tx.run(
    `update contacts set first_name = case when first_name = '' and last_name = '' then $2 else first_name end, last_name = case when first_name = '' and last_name = '' then $3 else last_name end,
       roles = (select coalesce(array_agg(distinct r), '{}') from unnest(roles || $4::text[]) r), street = coalesce(street, $5), city = coalesce(city, $6), postal_code = coalesce(postal_code, $7),
       wants = $8::jsonb || wants, updated_at = $9 where id = $1`,
    [
      contactId,
      inquiry.firstName,
      inquiry.lastName,
      inquiry.roles,
      inquiry.street,
      inquiry.city,
      inquiry.postalCode,
      JSON.stringify(inquiry.wants),
      at,
    ],
  );

/** An address that another contact holds stays there and is noted here: the two may be one, which is for a person to say. */
const addPoints = (tx: Tx, accountId: string, contactId: string, inquiry: CleanInquiry): Promise<void> =>
  tx.run(
    `with named as (select kind, value, n + (select coalesce(max(position) + 1, 0) from contact_points where contact_id = $2) as position
       from (select 'phone' as kind, value, ordinality::int - 1 as n from unnest($3::text[]) with ordinality as p (value, ordinality)
         union all select 'email', value, ordinality::int - 1 from unnest($4::text[]) with ordinality as e (value, ordinality)) x),
       owned as (insert into contact_points (account_id, contact_id, kind, value, position, extension) select $1, $2, kind, value, position, $5::jsonb->>value from named
         on conflict (account_id, kind, value) where active do nothing returning kind, value)
     insert into contact_points (account_id, contact_id, kind, value, position, active) select $1, $2, kind, value, position, false from named
     where (kind, value) not in (select kind, value from owned) and not exists (select 1 from contact_points h where h.contact_id = $2 and h.kind = named.kind and h.value = named.value)`,
    [accountId, contactId, inquiry.phones, inquiry.emails, JSON.stringify(inquiry.extensions)],
  );

const addTags = (tx: Tx, accountId: string, contactId: string, tags: string[]): Promise<void> =>
  tx.run(
    `with wanted as (select distinct on (lower(name)) name from unnest($3::text[]) name),
       made as (insert into tags (account_id, name) select $1, name from wanted on conflict (account_id, lower(name)) where deleted_at is null do update set name = tags.name returning id)
     insert into contact_tags (contact_id, tag_id) select $2, id from made on conflict do nothing`,
    [accountId, contactId, tags],
  );
