/** A contact that holds two people becomes two: the other gets the phones and emails that are theirs, and what came or went by those. Merging the two again undoes it. */
import Joi from 'joi';
import { AppError } from '@/core/shared';
import { cleanName } from '@/core/capture';
import { storable } from '@/core/capture/schemas';
import { scopeFor, type Principal } from '@/core/accounts';
import { CHANNEL_KEYS, type ContactView } from '@/core/contacts';
import {
  addressesOf,
  changePermissions,
  findContact,
  lockContact,
  permissionFor,
  pointKind,
  readPermissions,
  recordActivities,
  refold,
  refreshSearch,
} from '../contacts';
import { now, transact, writeAudit, type Tx } from '../shared';
import { joinHouseholdIn } from './review.service';

/** What `POST /api/v1/contacts/{id}/split` takes. */
export const splitSchema = Joi.object({
  first_name: Joi.string().max(200).allow('').default(''),
  last_name: Joi.string().max(200).allow('').default(''),
  phones: Joi.array().items(Joi.string().max(20)).max(60).default([]).example(['+15645550123']),
  emails: Joi.array().items(Joi.string().max(260)).max(60).default([]),
  tags: Joi.array().items(Joi.string().max(200)).max(200).default([]),
  activities: Joi.array()
    .items(Joi.string().pattern(/^\d{1,18}$/))
    .max(500)
    .default([]),
  home: Joi.boolean().default(true),
  household: Joi.boolean().default(true),
});
/** What goes to the other one. */
export interface SplitRequest {
  first_name: string;
  last_name: string;
  /** Of the contact's, in E.164 and small letters; what came or went by them goes along. */
  phones: string[];
  emails: string[];
  /** Both have these from now on. */
  tags: string[];
  /** Lines of the timeline that are theirs as well: notes, calls. */
  activities: string[];
  /** Whether they live in the same home. */
  home: boolean;
  /** Whether they are one household. */
  household: boolean;
}

/** @returns the new one @throws AppError input_invalid without a name or with what isn't the contact's, not_found */
export async function splitContact(principal: Principal, contactId: string, request: SplitRequest): Promise<ContactView> {
  const scope = scopeFor(principal);
  const { accountId, userId } = scope;
  const name = { first: cleanName(storable(request.first_name)), last: cleanName(storable(request.last_name)) };
  return transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const kept = await findContact(scope, contactId, tx);
    check(kept, request, `${name.first} ${name.last}`.trim());
    const at = await now(tx);
    const otherId = await makeOther(tx, contactId, name, request, at);
    await moveTheirs(tx, contactId, otherId, request);
    await copyRefusals(tx, accountId, kept, otherId, userId, at);
    if (request.household) await joinHouseholdIn(tx, accountId, contactId, otherId);
    const line = (id: string, text: string) =>
      ({ contactId: id, userId, at, kind: 'changed', channel: null, direction: null, data: { text }, because: null }) as const;
    const other = `${name.first} ${name.last}`.trim();
    const [hers, theirs] = saidOf(request, `${kept.first_name} ${kept.last_name}`.trim(), other);
    await recordActivities(tx, accountId, [line(contactId, hers), line(otherId, theirs)], {
      quietly: true,
    });
    await refold(tx, accountId, contactId, kept.stage.key, userId, at);
    await refold(tx, accountId, otherId, kept.stage.key, userId, at);
    await refreshSearch(tx, [contactId, otherId]);
    await writeAudit(tx, principal, accountId, 'contacts.split', { contactId, otherId }, at);
    return findContact(scope, otherId, tx);
  });
}

/** What stands in the timelines of the two: a name alone is somebody of the household, not a part of who was there. */
const saidOf = ({ phones, emails, activities }: SplitRequest, kept: string, other: string): [string, string] =>
  phones.length + emails.length + activities.length
    ? [`Split: ${other} is a contact of their own now`, `Split off from ${kept || 'another contact'}`]
    : [`${other} added as a contact of the household`, `Added to the household of ${kept || 'another contact'}`];

function check(kept: ContactView, { phones, emails }: SplitRequest, name: string): void {
  const refuse = (field: string, message: string) =>
    new AppError('input_invalid', 'Couldn’t split the contact.', { fields: [{ field, message }] });
  if (!name) throw refuse('first_name', 'say who the other one is');
  const strange = (list: string[], has: string[]) => list.findIndex((value) => !has.includes(value));
  for (const [field, list, has] of [
    ['phones', phones, kept.phones],
    ['emails', emails, kept.emails],
  ] as const) {
    const at = strange(list, has);
    if (at >= 0) throw refuse(`${field}.${at}`, 'isn’t theirs');
  }
}

async function makeOther(
  tx: Tx,
  contactId: string,
  name: { first: string; last: string },
  { tags, home }: SplitRequest,
  at: Date,
): Promise<string> {
  const row = await tx.first<{ id: string }>(
    `with made as (
       insert into contacts (account_id, office_id, owner_id, owned_since, first_name, last_name, stage, stage_since, roles, source, time_zone, street, city, postal_code, region, country, do_not_contact, refused_at, created_at, updated_at)
       select account_id, office_id, owner_id, owned_since, $2, $3, 'new', $4, roles, source, time_zone, case when $5 then street end, case when $5 then city end, case when $5 then postal_code end, case when $5 then region end, country, do_not_contact, refused_at, created_at, $4
       from contacts where id = $1 returning id),
     facts as (insert into contact_facts (contact_id) select id from made),
     tags as (insert into contact_tags (contact_id, tag_id) select made.id, ct.tag_id from made, contact_tags ct join tags t on t.id = ct.tag_id where ct.contact_id = $1 and t.name = any($6::text[])),
     lent as (insert into contact_lenders (contact_id, user_id) select made.id, user_id from made, contact_lenders where contact_id = $1)
     select id from made`,
    [contactId, name.first, name.last, at, home, tags],
  );
  return row!.id;
}

/** Addresses, and what came or went by them: calls, messages, the inquiries that name them and nothing that stays. */
async function moveTheirs(
  tx: Tx,
  contactId: string,
  otherId: string,
  { phones, emails, activities }: SplitRequest,
): Promise<void> {
  const addresses = [...phones, ...emails];
  const bind = [contactId, otherId, addresses];
  await tx.run('update contact_points set contact_id = $2 where contact_id = $1 and value = any($3::text[])', bind);
  const inquiries = await tx.rows<{ id: string; arrived_at: Date }>(
    `update inquiries i set contact_id = $2 where contact_id = $1
       and exists (select 1 from jsonb_array_elements_text(coalesce(i.parsed->'phones', '[]') || coalesce(i.parsed->'emails', '[]')) v where v = any($3::text[]))
       and not exists (select 1 from jsonb_array_elements_text(coalesce(i.parsed->'phones', '[]') || coalesce(i.parsed->'emails', '[]')) v where v in (select value from contact_points where contact_id = $1 and active))
     returning id, arrived_at`,
    bind,
  );
  const ids = inquiries.map(({ id }) => id);
  for (const table of ['offers', 'routings'])
    await tx.run(`update ${table} set contact_id = $2 where contact_id = $1 and inquiry_id = any($3::bigint[])`, [
      contactId,
      otherId,
      ids,
    ]);
  await tx.run('update outbox set contact_id = $2 where contact_id = $1 and address = any($3::text[])', bind);
  await tx.run('update calls set contact_id = $2 where contact_id = $1 and number = any($3::text[])', bind);
  await tx.run(
    `update activities set contact_id = $2 where contact_id = $1 and (id = any($4::bigint[]) or data->>'from' = any($3::text[]) or data->>'to' = any($3::text[])
       or (kind = 'inquiry' and at = any($5::timestamptz[])) or data->>'callId' in (select id::text from calls where contact_id = $2))`,
    [...bind, activities, inquiries.map(({ arrived_at }) => arrived_at)],
  );
}

/** A no that goes by the person and not by an address holds for both until they say otherwise. */
async function copyRefusals(
  tx: Tx,
  accountId: string,
  kept: ContactView,
  otherId: string,
  userId: string | null,
  at: Date,
): Promise<void> {
  const channels = CHANNEL_KEYS.filter((channel) => pointKind(channel) === null);
  const before = channels.flatMap((channel) => addressesOf(channel, kept));
  const details = await readPermissions(tx, accountId, before);
  await changePermissions(
    tx,
    accountId,
    channels
      .filter((channel) => permissionFor(details, channel, addressesOf(channel, kept)[0]).state === 'withdrawn')
      .map((channel) => ({
        channel,
        address: addressesOf(channel, { id: otherId, emails: [], phones: [] })[0]!,
        state: 'withdrawn' as const,
        how: 'said before they were split from another contact',
        userId,
        at,
      })),
  );
}
