/** Changes a person makes to one contact: stage, horizon, owner, place, notes, the next touch, permissions. Each is one transaction and stands in the timeline. */
import type { ContactView, PlaceView } from '@/core/contacts';
import Joi from 'joi';
import { AppError, isZone, fieldErrors } from '@/core/shared';
import { cleanName, oneLine } from '@/core/capture';
import { storable, wantsSchema } from '@/core/capture/schemas';
import { dayOfYear, type FieldInput } from '@/core/fields';
import { CONTACT_ROLES, DATE_KINDS, type Activity, type Because, type Channel, type ImportantDate } from '@/core/contacts';
import { fullName, may, scopeFor, type Principal } from '@/core/accounts';
import { now, publish, transact, writeAudit, type Tx } from '../shared';
import { findContact, lockContact } from './contacts.repository';
import { refreshSearch } from './search';

import { addressesOf } from './addresses';
import { lockTyped, replaceAddresses } from './addresses.service';
import { editedInWords } from './edited';
import { emailsSchema, phonesSchema, type TypedAddresses } from './typed-addresses';
import { changePermissions, permissionActivity } from './permissions';
import { setDates, setFields, setTags } from './details.service';
import { endOffers } from './ownership';
import { recordActivities, restate } from './record-activities';

const placeSchema = Joi.object({
  street: Joi.string().max(200).allow('', null),
  city: Joi.string().max(120).allow('', null),
  postal_code: Joi.string().max(20).allow('', null),
  region: Joi.string().max(60).allow('', null),
});

/** What `PATCH /api/v1/contacts/{id}` takes. */
export const contactPatchSchema = Joi.object({
  first_name: Joi.string().max(200).allow(''),
  last_name: Joi.string().max(200).allow(''),
  stage: Joi.string().max(60),
  archived_because: Joi.string().max(500),
  horizon: Joi.string().max(60).allow(null),
  roles: Joi.array()
    .items(Joi.string().valid(...CONTACT_ROLES))
    .max(6),
  time_zone: Joi.string().custom((zone: string, helpers) =>
    isZone(zone) ? zone : helpers.message({ custom: 'time_zone is not a zone of the IANA list' }),
  ),
  phones: phonesSchema,
  emails: emailsSchema,
  place: placeSchema,
  mailing: placeSchema.allow(null),
  property: placeSchema.allow(null),
  company: Joi.string().max(200).allow('', null),
  wants: wantsSchema,
  tags: Joi.array().items(Joi.string().min(1).max(200)).max(200),
  fields: Joi.object()
    .pattern(
      /^\d{1,18}$/,
      Joi.alternatives(
        Joi.string().max(2_000).allow(''),
        Joi.number(),
        Joi.boolean(),
        Joi.array().items(Joi.string().max(200)).max(100),
        Joi.valid(null),
      ),
    )
    .example({ '7': 'Choir' }),
  dates: Joi.array()
    .items(
      Joi.object({
        kind: Joi.string()
          .valid(...DATE_KINDS)
          .required(),
        label: Joi.string().max(80).allow('').default(''),
        on: Joi.string()
          .max(10)
          .custom((on: string, helpers) =>
            dayOfYear(on) ? on : helpers.message({ custom: `${on} is not a date like 3/1/1970` }),
          )
          .required()
          .example('--05-14'),
      }),
    )
    .max(40),
  owner_id: Joi.string().pattern(/^\d{1,18}$/),
  do_not_contact: Joi.boolean(),
  household_do_not_contact: Joi.boolean(),
}).min(1);

interface Patch extends TypedAddresses {
  first_name?: string;
  last_name?: string;
  stage?: string;
  archived_because?: string;
  horizon?: string | null;
  roles?: string[];
  time_zone?: string;
  company?: string | null;
  wants?: object;
  tags?: string[];
  fields?: Record<string, FieldInput>;
  dates?: ImportantDate[];
  place?: Partial<PlaceView>;
  mailing?: Partial<PlaceView> | null;
  property?: Partial<PlaceView> | null;
  owner_id?: string;
  do_not_contact?: boolean;
  household_do_not_contact?: boolean;
}

const userIdOf = (principal: Principal): string | null => (principal.kind === 'user' ? principal.user.id : null);
const nameOf = (principal: Principal): string => (principal.kind === 'user' ? fullName(principal.user) : 'a program');

/** Marks the household of a contact. @returns the ids of its people @throws AppError conflict without a household */
async function markHousehold(tx: Tx, contactId: string, doNot: boolean): Promise<string[]> {
  const rows = await tx.rows<{ id: string }>(
    `with h as (update households set do_not_contact = $2 where id = (select household_id from contacts where id = $1) returning id) select c.id from contacts c join h on h.id = c.household_id where c.deleted_at is null order by c.id`,
    [contactId, doNot],
  );
  if (!rows.length) throw new AppError('conflict', 'They don’t share a household. Mark the contact instead.');
  return rows.map(({ id }) => id);
}

/** Changes a contact. Handing it to another agent is for those who run the office. @throws AppError input_invalid, not_found, not_allowed */
export async function updateContact(principal: Principal, id: string, body: unknown): Promise<ContactView> {
  const { value, error } = contactPatchSchema.validate(body, { abortEarly: false, convert: false });
  if (error) throw new AppError('input_invalid', 'Couldn’t save the change.', { fields: fieldErrors(error) });
  const patch = value as Patch;
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    const wanted = await lockTyped(tx, principal, patch);
    const before = await lockContact(scope, id, tx);
    const was = await findContact(scope, id, tx);
    await checkWords(tx, scope.accountId, before, patch);
    const at = await now(tx);
    const activities: Activity[] = [];
    const line = (kind: Activity['kind'], data: Activity['data'], because: Because | null = null): Activity => ({
      contactId: id,
      userId: userIdOf(principal),
      at,
      kind,
      channel: null,
      direction: null,
      data,
      because,
    });
    if (patch.stage === 'archived' && !patch.archived_because) {
      throw new AppError('input_invalid', 'Give a reason for archiving.', {
        fields: [{ field: 'archived_because', message: 'give a reason' }],
      });
    }
    if (patch.stage && patch.stage !== before.stage)
      activities.push(line('stage', { fromStage: before.stage, stage: patch.stage }));
    if (patch.owner_id && patch.owner_id !== before.ownerId)
      activities.push(line('handed', {}, await handOver(tx, principal, id, patch.owner_id, at)));
    await writePatch(tx, id, patch, at);
    const edited = [
      ...(await replaceAddresses(tx, principal, id, wanted)),
      ...editedInWords(was, await findContact(scope, id, tx)),
    ];
    if (edited.length) {
      activities.push(line('changed', { text: edited.join('; ') }));
      await writeAudit(tx, principal, scope.accountId, 'contacts.edit', { contactId: id, changes: edited }, at);
    }
    if (patch.tags) await setTags(tx, principal, id, patch.tags, at);
    if (patch.fields) await setFields(tx, scope.accountId, id, patch.fields);
    if (patch.dates) await setDates(tx, id, patch.dates);
    if (patch.do_not_contact !== undefined)
      activities.push(line('changed', { text: patch.do_not_contact ? 'Marked do not contact' : 'OK to contact again' }));
    if (patch.household_do_not_contact !== undefined)
      for (const contactId of await markHousehold(tx, id, patch.household_do_not_contact))
        activities.push({
          ...line('changed', {
            text: patch.household_do_not_contact ? 'The household is marked do not contact' : 'OK to contact the household again',
          }),
          contactId,
        });
    await recordActivities(tx, scope.accountId, activities);
    if (patch.horizon !== undefined) await restate(tx, [id], at);
    await refreshSearch(tx, [id]);
    await publish(tx, { accountId: scope.accountId, topic: 'contact', contactId: id, ownerId: patch.owner_id ?? before.ownerId });
    return findContact(scope, id, tx);
  });
}

/** A stage and a horizon are the account's own words; what somebody has already may stay, also when it is being taken away. */
async function checkWords(
  tx: Tx,
  accountId: string,
  before: { stage: string; horizon: string | null },
  patch: Patch,
): Promise<void> {
  const fields: { field: string; message: string }[] = [];
  for (const axis of ['stage', 'horizon'] as const) {
    const key = patch[axis];
    if (!key || key === before[axis]) continue;
    const words = await tx.rows<{ key: string }>(
      `select key from ${axis}s where account_id = $1 and deleted_at is null order by position`,
      [accountId],
    );
    if (!words.some((word) => word.key === key))
      fields.push({ field: axis, message: `must be one of [${words.map((word) => word.key).join(', ')}]` });
  }
  if (fields.length) throw new AppError('input_invalid', 'Couldn’t save the change.', { fields });
}

async function handOver(tx: Tx, principal: Principal, contactId: string, ownerId: string, at: Date): Promise<Because> {
  if (!may(principal, 'contacts:assign'))
    throw new AppError('not_allowed', 'Only an admin can assign a contact to another agent.');
  const accountId = scopeFor(principal).accountId;
  const owner = await tx.first<{ first_name: string; last_name: string }>(
    `update contacts c set owner_id = u.id, office_id = u.office_id, owned_since = $4 from users u
     where c.id = $1 and u.id = $2 and u.account_id = $3 and u.active and u.role <> 'lender' returning u.first_name, u.last_name`,
    [contactId, ownerId, accountId, at],
  );
  if (!owner)
    throw new AppError('input_invalid', 'No agent found.', {
      fields: [{ field: 'owner_id', message: 'is not someone here' }],
    });
  await endOffers(tx, [contactId], at);
  return { why: 'handed_by', agent: fullName({ firstName: owner.first_name, lastName: owner.last_name }), by: nameOf(principal) };
}

/** A place as it is kept: null when nothing of it is said, undefined when it isn't spoken of. */
const placeJson = (place: Partial<PlaceView> | null | undefined): string | null | undefined => {
  if (!place) return place;
  const part = (value: string | null | undefined) => oneLine(storable(value ?? '')) || null;
  const whole: PlaceView = {
    street: part(place.street),
    city: part(place.city),
    postal_code: part(place.postal_code),
    region: part(place.region),
  };
  return Object.values(whole).some(Boolean) ? JSON.stringify(whole) : null;
};

async function writePatch(tx: Tx, id: string, patch: Patch, at: Date): Promise<void> {
  const text = (value: string | null | undefined) =>
    value === undefined ? undefined : value ? oneLine(storable(value)) || null : null;
  const columns: Record<string, unknown> = {
    first_name: patch.first_name === undefined ? undefined : cleanName(storable(patch.first_name)),
    last_name: patch.last_name === undefined ? undefined : cleanName(storable(patch.last_name)),
    horizon: patch.horizon,
    company: text(patch.company),
    region: text(patch.place?.region),
    wants: patch.wants && JSON.stringify(patch.wants),
    roles: patch.roles,
    time_zone: patch.time_zone,
    street: text(patch.place?.street),
    city: text(patch.place?.city),
    postal_code: text(patch.place?.postal_code),
    mailing: placeJson(patch.mailing),
    property: placeJson(patch.property),
    do_not_contact: patch.do_not_contact,
    archived_because: patch.stage === 'archived' ? text(patch.archived_because) : patch.stage ? null : undefined,
  };
  const set = Object.entries(columns).filter(([, value]) => value !== undefined);
  const bind: unknown[] = [id, at, ...set.map(([, value]) => value)];
  await tx.run(
    `update contacts set updated_at = $2${set.map(([name], at) => `, ${name} = $${at + 3}`).join('')} where id = $1`,
    bind,
  );
}

/** Keeps a note. */
export async function addNote(principal: Principal, contactId: string, text: string): Promise<{ id: string }> {
  const words = storable(text).trim();
  if (!words)
    throw new AppError('input_invalid', 'The note is empty.', { fields: [{ field: 'text', message: 'write something first' }] });
  if (words.length > 20_000)
    throw new AppError('input_invalid', 'The note is too long.', {
      fields: [{ field: 'text', message: 'at most 20,000 characters' }],
    });
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const [id] = await recordActivities(tx, scope.accountId, [
      {
        contactId,
        userId: userIdOf(principal),
        at: await now(tx),
        kind: 'note',
        channel: null,
        direction: null,
        data: { text: words },
        because: null,
      },
    ]);
    return { id: id! };
  });
}

/** Sets the next touch as a promise, replacing the promise before it; null takes it away, so that the rhythm holds again. */
export async function setNextTouch(
  principal: Principal,
  contactId: string,
  at: Date | null,
  note: string,
  appointment = false,
): Promise<ContactView> {
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    const contact = await lockContact(scope, contactId, tx);
    const rightNow = await now(tx);
    await tx.run(`update tasks set done_at = $2 where contact_id = $1 and kind = 'promise' and done_at is null`, [
      contactId,
      rightNow,
    ]);
    if (at) {
      await tx.run(
        `insert into tasks (account_id, contact_id, user_id, kind, due_at, note, created_at) values ($1, $2, $3, 'promise', $4, $5, $6)`,
        [scope.accountId, contactId, contact.ownerId, at, oneLine(storable(note)).slice(0, 500), rightNow],
      );
    }
    await recordActivities(tx, scope.accountId, [
      {
        contactId,
        userId: userIdOf(principal),
        at: rightNow,
        kind: 'next_touch',
        channel: null,
        direction: null,
        data: { dueAt: at?.toISOString(), text: note || undefined, ...(at && appointment ? { appointment } : {}) },
        because: null,
      },
    ]);
    return findContact(scope, contactId, tx);
  });
}

/** Records a permission given or withdrawn by word, with the evidence. @throws AppError input_invalid when a withdrawal for good stands against it */
export async function setPermission(
  principal: Principal,
  contactId: string,
  channel: Channel,
  state: 'granted' | 'withdrawn',
  evidence: string,
): Promise<void> {
  const scope = scopeFor(principal);
  if (state === 'granted' && !evidence.trim()) {
    throw new AppError('input_invalid', 'Say how and where they agreed.', {
      fields: [{ field: 'evidence', message: 'say how and where it was given' }],
    });
  }
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const contact = await findContact(scope, contactId, tx);
    const [address] = addressesOf(channel, contact);
    if (!address)
      throw new AppError('input_invalid', 'No address for this channel.', {
        fields: [{ field: 'channel', message: 'the contact doesn’t have that address' }],
      });
    const how = state === 'granted' ? `told ${nameOf(principal)}` : `told ${nameOf(principal)} to stop`;
    const change = {
      channel,
      address,
      state,
      how: evidence.trim() ? `${how}: ${oneLine(evidence)}` : how,
      evidence,
      userId: userIdOf(principal),
      at: await now(tx),
    };
    const took = await changePermissions(tx, scope.accountId, [change]);
    if (!took.length) {
      throw new AppError('input_invalid', 'They opted out themselves, so only they can opt back in.', {
        fields: [{ field: 'state', message: 'withdrawn for good' }],
      });
    }
    await recordActivities(tx, scope.accountId, [permissionActivity(contactId, change)]);
  });
}
