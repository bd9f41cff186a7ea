/** Reading and locking single contacts. Every function takes the Scope that limits what it may find. */
import { byChannel, type ContactView, type MoreView, type PermissionsView } from '@/core/contacts';
import { notFound } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { reader, type Tx } from '../shared';
import { CONTACT_COLUMNS, CONTACT_JOINS, contactView, type ContactRow } from './contacts.rows';
import { readMore } from './details.service';
import { addressesOf, lettersTo } from './addresses';
import { permissionFor, readPermissions } from './permissions';
import { visible } from './visible';

/** One contact. @throws AppError not_found, also when it may not be seen */
export async function findContact(scope: Scope, id: string, tx: Tx = reader()): Promise<ContactView> {
  const bind: unknown[] = [id];
  const row = await tx.first<ContactRow>(
    `select ${CONTACT_COLUMNS} from contacts c ${CONTACT_JOINS} where c.id = $1 and ${visible(scope, bind)}`,
    bind,
  );
  if (!row) throw notFound('contact');
  return contactView(row);
}

/** Whether the scope sees a contact. */
export async function isVisible(scope: Scope, id: string, tx: Tx = reader()): Promise<boolean> {
  const bind: unknown[] = [id];
  return Boolean(await tx.first(`select 1 from contacts c where c.id = $1 and ${visible(scope, bind)}`, bind));
}

/** Contacts by their ids, as far as they may be seen. */
export async function findContacts(scope: Scope, ids: string[], tx: Tx = reader()): Promise<Map<string, ContactView>> {
  const bind: unknown[] = [ids];
  const rows = await tx.rows<ContactRow>(
    `select ${CONTACT_COLUMNS} from contacts c ${CONTACT_JOINS} where c.id = any($1::bigint[]) and ${visible(scope, bind)}`,
    bind,
  );
  return new Map(rows.map((row) => [row.id, contactView(row)]));
}

/** One contact with what it permits, per channel on its first address. */
export async function findContactWithPermissions(
  scope: Scope,
  id: string,
  tx: Tx = reader(),
): Promise<ContactView & PermissionsView & MoreView> {
  const contact = await findContact(scope, id, tx);
  const details = await readPermissions(tx, scope.accountId, [...contact.emails, ...contact.phones, lettersTo(id)]);
  return {
    ...contact,
    permissions: byChannel((channel) => permissionFor(details, channel, addressesOf(channel, contact)[0]).state),
    permission_details: details,
    ...(await readMore(scope, id, tx)),
  };
}

/** Locks a contact that the scope may see, before it is changed. @throws AppError not_found */
export async function lockContact(
  scope: Scope,
  id: string,
  tx: Tx,
): Promise<{ id: string; stage: string; ownerId: string | null; horizon: string | null; timeZone: string }> {
  const bind: unknown[] = [id];
  const row = await tx.first<{ id: string; stage: string; owner_id: string | null; horizon: string | null; time_zone: string }>(
    `select c.id, c.stage, c.owner_id, c.horizon, c.time_zone from contacts c where c.id = $1 and ${visible(scope, bind)} for update`,
    bind,
  );
  if (!row) throw notFound('contact');
  return { id: row.id, stage: row.stage, ownerId: row.owner_id, horizon: row.horizon, timeZone: row.time_zone };
}
