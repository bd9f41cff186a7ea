/** The contact of an inquiry: the person among those who have its addresses, brought up to date, or a new one. The caller holds the locks of the addresses. */
import { zoneOfPostalCode } from '@/core/capture';
import { type CleanInquiry } from '@/core/capture/schemas';
import { chooseIdentity, fullerName, homeOf, matchedBy, type Choice, type Matched } from '@/core/identity';
import { listHolders, refreshSearch } from '../contacts';
import { nameSql, type Tx } from '../shared';

export interface MatchResult {
  contactId: string;
  matched: boolean;
  stage: string;
  timeZone: string;
  /** The agent who has the contact already and is still here. */
  owner: { id: string; name: string } | null;
}

/** Who an inquiry may be from. */
export interface Holders {
  choice: Choice;
  /** Why, as it is kept; null where nobody has one of the addresses. */
  matched: Matched | null;
}

/** Compares an inquiry with all who have one of its addresses. */
export async function findHolders(tx: Tx, accountId: string, inquiry: CleanInquiry): Promise<Holders> {
  const holders = await listHolders(tx, accountId, [...inquiry.phones, ...inquiry.emails], inquiry.lastName);
  const choice = chooseIdentity(identityOf(inquiry), holders);
  const names = new Map(holders.map(({ id, called }) => [id, called]));
  return { choice, matched: matchedBy(choice, (id) => names.get(id)!) };
}

const identityOf = ({ firstName, lastName, phones, emails, street, city, postalCode }: CleanInquiry) => ({
  name: `${firstName} ${lastName}`.trim(),
  addresses: [...phones, ...emails],
  home: homeOf(street, city, postalCode),
  birthday: null,
});

/** A contact, locked. */
export async function lockMatched(tx: Tx, contactId: string): Promise<MatchResult> {
  await tx.run('select 1 from contacts where id = $1 for update', [contactId]);
  /* Read after the lock was had: somebody may have accepted a lead of this person while we waited. */
  const row = await tx.first<{
    stage: string;
    time_zone: string;
    owner_id: string | null;
    owner: string | null;
  }>(
    `select c.stage, c.time_zone, u.id as owner_id, ${nameSql('u')} as owner
     from contacts c left join users u on u.id = c.owner_id and u.active where c.id = $1`,
    [contactId],
  );
  return {
    contactId,
    matched: true,
    stage: row!.stage,
    timeZone: row!.time_zone,
    owner: row!.owner_id ? { id: row!.owner_id, name: row!.owner! } : null,
  };
}

/** Puts somebody before a person who may be one of others: a likely duplicate. */
export const proposeDuplicates = (tx: Tx, accountId: string, contactId: string, { ask }: Choice): Promise<void> =>
  tx.run(
    `insert into duplicate_pairs (account_id, one_id, other_id, reasons, score)
     select $1, least($2::bigint, x.id), greatest($2::bigint, x.id), array(select 'same_' || e from jsonb_array_elements_text(x.evidence) e where e in ('email', 'phone', 'name', 'home')), 1 from jsonb_to_recordset($3::jsonb) as x (id bigint, evidence jsonb)
     on conflict do nothing`,
    [accountId, contactId, JSON.stringify(ask.slice(0, MOST_PROPOSED).map(({ id, evidence }) => ({ id, evidence })))],
  );
const MOST_PROPOSED = 5;

/** Agents of people who share an address, where they are one and the same; an address of many says nothing about anybody. */
export async function agentOfSharers(tx: Tx, { ask, sharing }: Choice): Promise<{ id: string; name: string; of: string } | null> {
  const ids = [...new Set([...ask, ...sharing].map(({ id }) => id))];
  if (!ids.length || ids.length > MOST_SHARERS) return null;
  const rows = await tx.rows<{ id: string; name: string; of: string }>(
    `select u.id, ${nameSql('u')} as name, ${nameSql('c')} as of from contacts c join users u on u.id = c.owner_id and u.active where c.id = any($1::bigint[]) order by array_position($1::bigint[], c.id)`,
    [ids],
  );
  return rows.every(({ id }) => id === rows[0]?.id) ? (rows[0] ?? null) : null;
}
const MOST_SHARERS = 3;

/** Makes a contact of what an inquiry tells. @param horizon the one that its door gives, if the account has it */
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

/** Adds what is told of somebody who is known: addresses, roles, wants, an empty or shorter name, an empty place. Nothing else that is known is overwritten. */
export async function completeContact(
  tx: Tx,
  accountId: string,
  contactId: string,
  inquiry: CleanInquiry,
  at: Date,
): Promise<void> {
  const known = await tx.first<{ first: string; last: string }>(
    'select first_name as first, last_name as last from contacts where id = $1',
    [contactId],
  );
  const name = fullerName(known!, { first: inquiry.firstName, last: inquiry.lastName });
  await tx.run(
    `update contacts set first_name = $2, last_name = $3,
       roles = (select coalesce(array_agg(distinct r), '{}') from unnest(roles || $4::text[]) r),
       street = coalesce(street, $5), city = coalesce(city, $6), postal_code = coalesce(postal_code, $7), wants = $8::jsonb || wants, updated_at = $9
     where id = $1`,
    [
      contactId,
      name.first,
      name.last,
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

/** Those of the addresses that the contact has not; one that was taken away stays so. */
async function addPoints(tx: Tx, accountId: string, contactId: string, inquiry: CleanInquiry): Promise<void> {
  const points = pointsOf(inquiry);
  if (!points.length) return;
  await tx.run(
    `insert into contact_points (account_id, contact_id, kind, value, position, extension)
     select $1, $2, kind, value, n + (select coalesce(max(position) + 1, 0) from contact_points where contact_id = $2), extension
     from jsonb_to_recordset($3::jsonb) as x (kind text, value text, n int, extension text)
     where not exists (select 1 from contact_points h where h.contact_id = $2 and h.kind = x.kind and h.value = x.value)`,
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
