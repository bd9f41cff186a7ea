/** Writing the contacts of the demo: with their facts, addresses, tags, permissions and history. */
import { foldFact, handRaisedAt, nextTouch, noFacts } from '@/core/contacts';
import { rowOfFacts, writeSearch } from '@/server/contacts';
import type { Tx } from '@/server/shared';
import { contactFactsTable } from '@/server/contacts/contact-facts.model';
import { contactPointsTable } from '@/server/contacts/contact-points.model';
import { contactsTable } from '@/server/contacts/contacts.model';
import { permissionChangesTable } from '@/server/contacts/permission-changes.model';
import { permissionsTable } from '@/server/contacts/permissions.model';
import { contactTagsTable } from '@/server/tags/contact-tags.model';
import { tagsTable } from '@/server/tags/tags.model';
import type { WorldContact } from './contact';
import { ACCOUNT, insertAll, type WorldRow } from './insert';
import { writeOrder } from './order';
import { COLLEAGUES, ZONE } from './settings';
import { writeHistory } from './write-history';

/** @returns how many activities they have */
export async function writeContacts(tx: Tx, contacts: WorldContact[]): Promise<number> {
  await insertAll(tx, contactsTable, contacts.map(contactRow));
  await insertAll(
    tx,
    contactFactsTable,
    contacts.map((contact) => ({ contact_id: contact.id, ...rowOfFacts(factsOf(contact)) })),
  );
  await insertAll(tx, contactPointsTable, contacts.flatMap(pointRows));
  await writeTags(tx, contacts);
  await writePermissions(tx, contacts);
  const activities = await writeHistory(tx, contacts);
  await writeOrder(tx, contacts);
  await writeSearch(tx, 'true');
  await tx.run(
    `insert into contact_lenders (contact_id, user_id) select id, 12 from contacts where 'buyer' = any(roles) and stage in ('talking','client','under_contract') and id % 4 = 0`,
  );
  return activities;
}

const pointRows = ({ id, phone, phoneError, email }: WorldContact): WorldRow<typeof contactPointsTable>[] => {
  const point = { ...ACCOUNT, contact_id: id, position: 0, active: true };
  return [
    ...(phone ? [{ ...point, kind: 'phone' as const, value: phone, error: phoneError }] : []),
    ...(email ? [{ ...point, kind: 'email' as const, value: email, error: null }] : []),
  ];
};

const factsOf = (contact: WorldContact) => contact.activities.reduce(foldFact, noFacts());

function contactRow(contact: WorldContact): WorldRow<typeof contactsTable> {
  const facts = factsOf(contact);
  const open = contact.tasks.filter((task) => !task.doneAt).sort((a, b) => a.dueAt.getTime() - b.dueAt.getTime())[0] ?? null;
  const next = nextTouch(contact.stage, contact.horizon, open, facts.lastTouchAt ?? contact.createdAt);
  const stageLine = contact.activities.filter((activity) => activity.kind === 'stage').at(-1);
  const owner = COLLEAGUES.find(({ id }) => id === contact.ownerId)!;
  return {
    id: contact.id,
    ...ACCOUNT,
    office_id: owner.office,
    owner_id: contact.ownerId,
    first_name: contact.first,
    last_name: contact.last,
    stage: contact.stage,
    stage_since: stageLine?.at ?? contact.createdAt,
    archived_because: contact.stage === 'archived' ? 'Moved away' : null,
    horizon: contact.horizon,
    roles: contact.roles,
    source: contact.source,
    time_zone: ZONE,
    street: contact.street,
    city: contact.town.name,
    postal_code: contact.postalCode,
    wants: contact.wants,
    do_not_contact: false,
    hand_raised_at: handRaisedAt(facts),
    last_touch_at: facts.lastTouchAt ?? new Date(0),
    next_touch_at: next?.at ?? null,
    next_touch_kind: next?.kind ?? null,
    owned_since: contact.createdAt,
    created_at: contact.createdAt,
    updated_at: contact.activities.at(-1)?.at ?? contact.createdAt,
  };
}

async function writeTags(tx: Tx, contacts: WorldContact[]): Promise<void> {
  const names = [...new Set(contacts.flatMap((contact) => contact.tags))].sort();
  const idOf = (name: string): string => String(names.indexOf(name) + 1);
  await insertAll(
    tx,
    tagsTable,
    names.map((name) => ({ id: idOf(name), ...ACCOUNT, name })),
  );
  await insertAll(
    tx,
    contactTagsTable,
    contacts.flatMap(({ id, tags }) => tags.map((tag) => ({ contact_id: id, tag_id: idOf(tag) }))),
  );
}

async function writePermissions(tx: Tx, contacts: WorldContact[]): Promise<void> {
  const rows = contacts.flatMap((contact) =>
    contact.permissions.map(({ channel, state, how, at, forGood }) => ({
      ...ACCOUNT,
      channel,
      address: (channel === 'email' ? contact.email : contact.phone)!,
      state,
      how,
      at,
      for_good: forGood,
    })),
  );
  await insertAll(tx, permissionChangesTable, rows);
  await insertAll(tx, permissionsTable, rows);
}
