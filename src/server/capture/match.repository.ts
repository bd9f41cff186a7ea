/** The contact of an inquiry: found by e-mail or phone and brought up to date, or made. The caller holds the locks of the addresses. */
import { zoneOfPostalCode } from '@/core/capture';
import { type CleanInquiry } from '@/core/capture/schemas';
import { refreshSearch } from '../contacts';
import { nameSql, type Tx } from '../shared';

export interface MatchResult {
  contactId: string;
  matched: boolean;
  stage: string;
  timeZone: string;
  /** The agent who has the contact already and is still here. */
  owner: { id: string; name: string } | null;
}

/** The contact that has most of the addresses, among equals the oldest, locked; null when nobody has one of them. */
export async function matchContact(tx: Tx, accountId: string, { phones, emails }: CleanInquiry): Promise<MatchResult | null> {
  const found = await tx.first<{ id: string }>(
    `select contact_id as id from contact_points
     where account_id = $1 and active and ((kind = 'phone' and value = any($2::text[])) or (kind = 'email' and value = any($3::text[])))
     group by contact_id order by count(*) desc, contact_id limit 1`,
    [accountId, phones, emails],
  );
  if (!found) return null;
  await tx.run('select 1 from contacts where id = $1 for update', [found.id]);
  /* Read after the lock was had: somebody may have accepted a lead of this person while we waited. */
  const row = await tx.first<{
    stage: string;
    time_zone: string;
    owner_id: string | null;
    owner: string | null;
  }>(
    `select c.stage, c.time_zone, u.id as owner_id, ${nameSql('u')} as owner
     from contacts c left join users u on u.id = c.owner_id and u.active where c.id = $1`,
    [found.id],
  );
  return {
    contactId: found.id,
    matched: true,
    stage: row!.stage,
    timeZone: row!.time_zone,
    owner: row!.owner_id ? { id: row!.owner_id, name: row!.owner! } : null,
  };
}

/** Makes a contact of what an inquiry tells, whose addresses are nobody's. @param horizon the one that its door gives, if the account has it */
export async function createContact(
  tx: Tx,
  accountId: string,
  inquiry: CleanInquiry,
  horizon: string | null,
  at: Date,
): Promise<MatchResult> {
  const row = await tx.first<{ id: string; time_zone: string }>(
    `with made as (
       insert into contacts (account_id, first_name, last_name, stage, stage_since, roles, source, time_zone, street, city, postal_code, wants, created_at, updated_at, horizon)
       select a.id, $2, $3, 'new', $4, $5::text[], $6, coalesce($7, a.time_zone), $8, $9, $10, $11::jsonb, $4, $4,
         (select key from horizons where account_id = a.id and key = $12 and deleted_at is null) from accounts a where a.id = $1
       returning id, time_zone
     ), facts as (
       insert into contact_facts (contact_id) select id from made
     ), points as (
       insert into contact_points (account_id, contact_id, kind, value, position, extension)
       select $1, made.id, x.kind, x.value, x.n, x.extension from made, jsonb_to_recordset($13::jsonb) as x (kind text, value text, n int, extension text)
     )
     select id, time_zone from made`,
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
      horizon,
      JSON.stringify(pointsOf(inquiry)),
    ],
  );
  const { id: contactId, time_zone: timeZone } = row!;
  await refreshSearch(tx, [contactId]);
  return { contactId, matched: false, stage: 'new', timeZone, owner: null };
}

const pointsOf = ({ phones, emails, extensions }: CleanInquiry) => [
  ...phones.map((value, n) => ({ kind: 'phone', value, n, extension: extensions[value] ?? null })),
  ...emails.map((value, n) => ({ kind: 'email', value, n, extension: null })),
];

/**
 * Adds what is told of somebody who is known: addresses, roles, wants, an empty name or place. Nothing known is overwritten. An address that
 * another contact holds stays there and is noted here: the two may be one, which is for a person to say.
 */
export async function completeContact(
  tx: Tx,
  accountId: string,
  contactId: string,
  inquiry: CleanInquiry,
  at: Date,
): Promise<void> {
  await tx.run(
    `update contacts set first_name = case when first_name = '' and last_name = '' then $2 else first_name end,
       last_name = case when first_name = '' and last_name = '' then $3 else last_name end,
       roles = (select coalesce(array_agg(distinct r), '{}') from unnest(roles || $4::text[]) r),
       street = coalesce(street, $5), city = coalesce(city, $6), postal_code = coalesce(postal_code, $7), wants = $8::jsonb || wants, updated_at = $9
     where id = $1`,
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
  await addPoints(tx, accountId, contactId, inquiry);
  await refreshSearch(tx, [contactId]);
}

async function addPoints(tx: Tx, accountId: string, contactId: string, inquiry: CleanInquiry): Promise<void> {
  const points = pointsOf(inquiry);
  if (!points.length) return;
  await tx.run(
    `with point as (select kind, value, extension, n + (select coalesce(max(position) + 1, 0) from contact_points where contact_id = $2) as position
         from jsonb_to_recordset($3::jsonb) as x (kind text, value text, n int, extension text)),
       owned as (insert into contact_points (account_id, contact_id, kind, value, position, extension) select $1, $2, kind, value, position, extension from point
         on conflict (account_id, kind, value) where active do nothing returning kind, value)
     insert into contact_points (account_id, contact_id, kind, value, position, active) select $1, $2, kind, value, position, false from point
       where (kind, value) not in (select kind, value from owned)
         and not exists (select 1 from contact_points h where h.contact_id = $2 and h.kind = point.kind and h.value = point.value)`,
    [accountId, contactId, JSON.stringify(points)],
  );
}

/** A tag that an inquiry brings. */
interface InquiryTag {
  name: string;
  /** Whether it is made where there is none of that name. */
  makes: boolean;
}

/** The tags of an inquiry, with its town and postal code when the account wants those as tags. */
export const tagsOf = (
  { tags, city, postalCode }: CleanInquiry,
  { tagPlaces, makes }: { tagPlaces: boolean; makes: boolean },
): InquiryTag[] => [
  ...tags.map((name) => ({ name, makes })),
  ...(tagPlaces ? [city, postalCode] : []).flatMap((name) => (name ? [{ name, makes: true }] : [])),
];

export async function addTags(tx: Tx, accountId: string, contactId: string, tags: readonly InquiryTag[]): Promise<void> {
  if (!tags.length) return;
  await tx.run(
    `with wanted as (select * from jsonb_to_recordset($3::jsonb) as x (name text, makes boolean)),
       made as (insert into tags (account_id, name) select distinct on (lower(name)) $1::bigint, name from wanted where makes on conflict (account_id, lower(name)) where deleted_at is null do update set name = tags.name returning id, name),
       there as (select id, name from made union select id, name from tags where account_id = $1 and deleted_at is null and lower(name) in (select lower(name) from wanted where not makes))
     insert into contact_tags (contact_id, tag_id) select $2, m.id from wanted w join there m on lower(m.name) = lower(w.name) on conflict do nothing`,
    [accountId, contactId, JSON.stringify(tags)],
  );
}
