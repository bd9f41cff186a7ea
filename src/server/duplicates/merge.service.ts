/**
 * Two contacts become one: everything that happened, every address, tag, date, enrollment and task goes to the one that is kept; of
 * permissions the stricter wins. What moved is written down, so that the two can be taken apart again.
 */
import { AppError, notFound } from '@/core/shared';
import { scopeFor, type Principal, type Scope } from '@/core/accounts';
import { type Channel, CHANNEL_KEYS, type ContactView, type Stage } from '@/core/contacts';
import { chosenSide, type MergeChoices, type MergeChoice, type MergeView } from '@/core/duplicates';
import {
  changePermissions,
  addressesOf,
  findContact,
  forgetSearch,
  lockContact,
  putBackPermissions,
  readPermissions,
  recordActivities,
  refold,
  refreshSearch,
  type PermissionChange,
  endOffers,
} from '../contacts';
import { nameSql, now, writeAudit, transact, type RowOf, type Tx } from '../shared';
import { mergesTable } from './merges.model';

/** How the ledger says why a no holds for the one that two became. */
const MERGED_NO = 'merged with a contact who had opted out';
/** Tables whose rows simply belong to the kept contact from now on, by their id. */
const MOVED = [
  'activities',
  'inquiries',
  'offers',
  'routings',
  'outbox',
  'calls',
  'tasks',
  'contact_dates',
  'contact_points',
  'visitors',
] as const;
interface Moved {
  rows: Record<string, string[]>;
  tags: string[];
  enrollments: string[];
  /** Enrollments that were under way in a campaign that the kept one is in as well. */
  stopped: string[];
  fields: { field_id: string; ordinal: number }[];
  permissions: { channel: string; address: string; before: object | null }[];
  /** Phones and emails that both had: one of each is enough. Missing in merges of long ago. */
  twice?: string[];
}
const COLUMNS = [
  'first_name',
  'last_name',
  'company',
  'street',
  'city',
  'postal_code',
  'region',
  'country',
  'horizon',
  'owner_id',
  'office_id',
  'owned_since',
  'source',
  'roles',
  'wants',
  'do_not_contact',
  'household_id',
  'archived_because',
  'mailing',
  'property',
] as const;
const OF: Record<MergeChoice, readonly string[]> = {
  name: ['first_name', 'last_name'],
  company: ['company'],
  place: ['street', 'city', 'postal_code', 'region', 'country'],
  stage: [],
  horizon: ['horizon'],
  owner: ['owner_id', 'office_id', 'owned_since'],
  source: ['source'],
};

/** Merges `goneId` into `keptId`. @param choices per field whose value stays @throws AppError not_found, input_invalid */
export async function mergeContacts(
  principal: Principal,
  keptId: string,
  goneId: string,
  choices: MergeChoices,
): Promise<ContactView & { merge_id: string }> {
  if (keptId === goneId)
    throw new AppError('input_invalid', 'That’s the same contact.', {
      fields: [{ field: 'other_id', message: 'is the contact itself' }],
    });
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    for (const id of [keptId, goneId].sort((a, b) => Number(BigInt(a) - BigInt(b)))) await lockContact(scope, id, tx);
    const at = await now(tx);
    const [survivor, gone] = [await findContact(scope, keptId, tx), await findContact(scope, goneId, tx)];
    const before = await rawOf(tx, [keptId, goneId]);
    const side = (field: MergeChoice) => chosenSide(field, survivor, gone, choices);
    const permissions = await strictest(tx, scope.accountId, survivor, gone, scope.userId, at);
    const moved: Moved = { ...(await move(tx, keptId, goneId)), permissions };
    const taken = (Object.keys(OF) as MergeChoice[]).filter((field) => side(field) === 'gone').flatMap((field) => OF[field]);
    await tx.run(
      `update contacts k set ${taken.map((column) => `${column} = g.${column},`).join(' ')} roles = (select coalesce(array_agg(distinct r order by r), '{}') from unnest(k.roles || g.roles) r), wants = g.wants || k.wants,
         do_not_contact = k.do_not_contact or g.do_not_contact, household_id = coalesce(k.household_id, g.household_id), mailing = coalesce(k.mailing, g.mailing), property = coalesce(k.property, g.property), created_at = least(k.created_at, g.created_at), updated_at = $3 from contacts g where k.id = $1 and g.id = $2`,
      [keptId, goneId, at],
    );
    await haveOwner(tx, keptId, goneId, at);
    const { accountId, userId } = scope;
    const merge = { account_id: accountId, kept_id: keptId, gone_id: goneId, user_id: userId, before, moved, at };
    const { id } = await mergesTable.insert(merge, tx);
    await tx.run('update contacts set deleted_at = $2, updated_at = $2 where id = $1', [goneId, at]);
    await tx.run('delete from duplicate_pairs where $1 in (one_id, other_id)', [goneId]);
    await tell(tx, scope, [keptId], `Merged with ${nameOf(gone)}, a duplicate`, at);
    await refold(tx, scope.accountId, keptId, (side('stage') === 'gone' ? gone : survivor).stage.key, scope.userId, at);
    await refold(tx, scope.accountId, goneId, 'new', null, at);
    await refreshSearch(tx, [keptId]);
    await forgetSearch(tx, [goneId]);
    await writeAudit(tx, principal, scope.accountId, 'contacts.merge', { keptId, goneId }, at);
    return { ...(await findContact(scope, keptId, tx)), merge_id: id };
  });
}

const tell = (tx: Tx, { accountId, userId }: Scope, contactIds: string[], text: string, at: Date): Promise<string[]> => {
  const line = { userId, at, kind: 'changed', channel: null, direction: null, data: { text }, because: null } as const;
  return recordActivities(
    tx,
    accountId,
    contactIds.map((contactId) => ({ contactId, ...line })),
    { quietly: true },
  );
};

/** When either has an agent, the one who stays has; whatever was still being offered of the other ends. */
async function haveOwner(tx: Tx, keptId: string, goneId: string, at: Date): Promise<void> {
  const owned = await tx.rows(
    `update contacts k set owner_id = coalesce(k.owner_id, g.owner_id), office_id = case when k.owner_id is null then g.office_id else k.office_id end
     from contacts g where k.id = $1 and g.id = $2 and coalesce(k.owner_id, g.owner_id) is not null returning k.id`,
    [keptId, goneId],
  );
  const open = await tx.first(`select 1 from routings where contact_id = $1 and state in ('offered','commons') limit 1`, [
    keptId,
  ]);
  if (owned.length && open) await endOffers(tx, [keptId], at);
}

const nameOf = (contact: ContactView): string =>
  `${contact.first_name} ${contact.last_name}`.trim() || contact.emails[0] || 'a contact with no name';
const rawOf = async (tx: Tx, ids: string[]): Promise<Record<string, object>> =>
  Object.fromEntries(
    (
      await tx.rows<{ id: string; raw: object }>(`select id, to_jsonb(c) as raw from contacts c where id = any($1::bigint[])`, [
        ids,
      ])
    ).map(({ id, raw }) => [id, raw]),
  );

async function move(tx: Tx, keptId: string, goneId: string): Promise<Omit<Moved, 'permissions'>> {
  const rows: Moved['rows'] = {};
  const twice = (
    await tx.rows<{ id: string }>(
      `update contact_points g set active = false from contact_points k where g.contact_id = $2 and g.active and k.contact_id = $1 and k.active and k.kind = g.kind and k.value = g.value returning g.id`,
      [keptId, goneId],
    )
  ).map(({ id }) => id);
  for (const table of MOVED) {
    const extra = table === 'contact_points' ? `, position = position + 100` : '';
    rows[table] = (
      await tx.rows<{ id: string }>(`update ${table} set contact_id = $1${extra} where contact_id = $2 returning id`, [
        keptId,
        goneId,
      ])
    ).map(({ id }) => id);
  }
  const tags = (
    await tx.rows<{ tag_id: string }>(
      'insert into contact_tags (contact_id, tag_id) select $1, tag_id from contact_tags where contact_id = $2 on conflict do nothing returning tag_id',
      [keptId, goneId],
    )
  ).map(({ tag_id }) => tag_id);
  const stopped = (
    await tx.rows<{ id: string }>(
      `update enrollments g set state = 'stopped' from enrollments k where g.contact_id = $2 and g.state in ('active','paused') and k.contact_id = $1 and k.state in ('active','paused') and k.campaign_id = g.campaign_id returning g.id`,
      [keptId, goneId],
    )
  ).map(({ id }) => id);
  const enrollments = (
    await tx.rows<{ id: string }>('update enrollments set contact_id = $1 where contact_id = $2 returning id', [keptId, goneId])
  ).map(({ id }) => id);
  const fields = await tx.rows<{ field_id: string; ordinal: number }>(
    `insert into field_values (contact_id, field_id, ordinal, words, number, day, month_day, linked_id) select $1, field_id, ordinal, words, number, day, month_day, linked_id from field_values g
     where contact_id = $2 and not exists (select 1 from field_values k where k.contact_id = $1 and k.field_id = g.field_id) returning field_id, ordinal`,
    [keptId, goneId],
  );
  await tx.run(
    'insert into contact_lenders (contact_id, user_id) select $1, user_id from contact_lenders where contact_id = $2 on conflict do nothing',
    [keptId, goneId],
  );
  return { rows, tags, enrollments, stopped, fields, twice };
}

/** A no that either of the two said on a channel holds for every address of the one they become. */
async function strictest(
  tx: Tx,
  accountId: string,
  survivor: ContactView,
  gone: ContactView,
  userId: string | null,
  at: Date,
): Promise<Moved['permissions']> {
  const of = (channel: Channel) => [...addressesOf(channel, survivor), ...addressesOf(channel, gone)];
  const details = await readPermissions(tx, accountId, CHANNEL_KEYS.flatMap(of));
  const changes: PermissionChange[] = CHANNEL_KEYS.flatMap((channel) => {
    const addresses = of(channel);
    const permissionOf = (address: string) => details.find((detail) => detail.channel === channel && detail.address === address);
    if (!addresses.some((address) => permissionOf(address)?.state === 'withdrawn')) return [];
    return addresses
      .filter((address) => permissionOf(address)?.state !== 'withdrawn')
      .map((address) => ({
        channel,
        address,
        state: 'withdrawn' as const,
        how: MERGED_NO,
        userId,
        at,
      }));
  });
  await changePermissions(tx, accountId, changes);
  return changes.map(({ channel, address }) => ({
    channel,
    address,
    before: details.find((detail) => detail.channel === channel && detail.address === address) ?? null,
  }));
}

interface MergeRow extends Pick<RowOf<typeof mergesTable>, 'kept_id' | 'gone_id' | 'at'> {
  before: Record<string, Record<string, unknown>>;
  moved: Moved;
}

/** Takes two contacts apart again: each has what was its own; what happened since stays with the one that was kept. */
export async function undoMerge(principal: Principal, mergeId: string): Promise<void> {
  const scope = scopeFor(principal);
  const { accountId, userId } = scope;
  await transact(async (tx) => {
    const row = await tx.first<MergeRow>(
      'select kept_id, gone_id, before, moved, at from merges where id = $1 and account_id = $2 and undone_at is null for update',
      [mergeId, accountId],
    );
    if (!row) throw notFound('merge to undo');
    await lockContact(scope, row.kept_id, tx);
    const at = await now(tx);
    const both = [row.kept_id, row.gone_id];
    await moveBack(tx, row);
    await asBefore(tx, row, at);
    await putBackPermissions(
      tx,
      accountId,
      row.moved.permissions.map((one) => ({ ...one, state: 'withdrawn', how: MERGED_NO })),
      { why: 'separated after a merge', userId, at },
    );
    await tx.run(
      `with owned as (update contacts c set owner_id = i.owner_id, office_id = u.office_id, owned_since = $2 from inquiries i join users u on u.id = i.owner_id
           where c.id = any($1::bigint[]) and c.owner_id is null and i.contact_id = c.id)
       update offers o set contact_id = i.contact_id from inquiries i where i.id = o.inquiry_id and i.contact_id = any($1::bigint[]) and o.contact_id <> i.contact_id`,
      [both, at],
    );
    await mergesTable.update({ undone_at: at }, { id: mergeId }, tx);
    await tell(tx, scope, both, 'Separated after a merge', at);
    for (const id of both) await refold(tx, accountId, id, row.before[id]!.stage as Stage, userId, at);
    await refreshSearch(tx, both);
    await writeAudit(tx, principal, accountId, 'contacts.undoMerge', { mergeId }, at);
  });
}

/** What was the other's goes back to it. */
async function moveBack(tx: Tx, { kept_id, gone_id, moved }: MergeRow): Promise<void> {
  for (const table of MOVED) {
    const extra = table === 'contact_points' ? `, position = greatest(position - 100, 0)` : '';
    await tx.run(`update ${table} set contact_id = $1${extra} where id = any($2::bigint[]) and contact_id = $3`, [
      gone_id,
      moved.rows[table] ?? [],
      kept_id,
    ]);
  }
  await tx.run(
    `update contact_points p set active = true where p.contact_id = $1 and p.id = any($2::bigint[])
       and not exists (select 1 from contact_points o where o.contact_id = p.contact_id and o.kind = p.kind and o.value = p.value and o.active)`,
    [gone_id, moved.twice ?? []],
  );
  await tx.run('delete from contact_tags where contact_id = $1 and tag_id = any($2::bigint[])', [kept_id, moved.tags]);
  await tx.run('update enrollments set contact_id = $1 where id = any($2::bigint[])', [gone_id, moved.enrollments]);
  await tx.run(`update enrollments set state = 'active' where id = any($1::bigint[]) and state = 'stopped'`, [moved.stopped]);
  await tx.run(
    'delete from field_values v using jsonb_to_recordset($2::jsonb) as x (field_id bigint, ordinal smallint) where v.contact_id = $1 and v.field_id = x.field_id and v.ordinal = x.ordinal',
    [kept_id, JSON.stringify(moved.fields)],
  );
}

/** Both rows say again what they said. */
async function asBefore(tx: Tx, { kept_id, gone_id, before }: MergeRow, at: Date): Promise<void> {
  for (const id of [kept_id, gone_id])
    await tx.run(
      `update contacts c set ${COLUMNS.map((column) => `${column} = v.${column}`).join(', ')}, created_at = v.created_at, deleted_at = null, updated_at = $3 from jsonb_populate_record(null::contacts, $2::jsonb) v where c.id = $1`,
      [id, JSON.stringify(before[id]), at],
    );
}

/** The merges of a contact that can be taken apart. */
export const listMerges = (tx: Tx, contactId: string): Promise<MergeView[]> =>
  tx.rows<MergeView>(
    `select m.id, ${nameSql('g')} as gone, m.at, ${nameSql('u')} as by from merges m join contacts g on g.id = m.gone_id left join users u on u.id = m.user_id where m.kept_id = $1 and m.undone_at is null order by m.id desc`,
    [contactId],
  );
