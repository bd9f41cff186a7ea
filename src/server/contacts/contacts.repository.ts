/** Reading contacts: pages, search, one contact. Every function takes the Scope that limits what it may find. */
import type { ContactView, PermissionsView } from '@/core/contacts';
import { notFound, pageOf, readCursor, type Page } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import type { Measure } from '@/core/results';
import { reader, type Tx } from '../shared';
import { CONTACT_COLUMNS, CONTACT_JOINS, contactView, type ContactRow } from './contacts.rows';
import { measured } from './measured';
import { permissionFor, readPermissions } from './permissions';
import { visible } from './visible';

export interface ContactQuery {
  q?: string;
  /** The people behind a number in Results. */
  behind?: { measure: Measure; agentId: string | null; from: Date; to: Date; conversationSeconds: number };
  stage?: string;
  limit: number;
  cursor?: string | null;
}

/** Words of a search as LIKE patterns over search_text; under three characters only the beginning of a word counts (docs/decisions/0004). */
export function searchPatterns(q: string): string[] {
  const escape = (text: string) => text.replace(/[\\%_]/g, '\\$&');
  const digits = q.replace(/\D/g, '');
  if (digits.length >= 7 && /^[\d\s()+.-]+$/.test(q)) return [`%${digits.slice(-10)}%`];
  return q
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .split(/\s+/)
    .filter(Boolean)
    .slice(0, 8)
    .map((word) => (word.length < 3 ? `% ${escape(word)}%` : `%${escape(word)}%`));
}

function conditions(scope: Scope, query: ContactQuery, bind: unknown[]): { where: string; from: string } {
  const where = [visible(scope, bind)];
  let from = 'contacts c';
  const patterns = searchPatterns(query.q ?? '');
  if (patterns.length) {
    from += ' join contact_search s on s.contact_id = c.id';
    for (const pattern of patterns) {
      bind.push(pattern);
      where.push(`s.search_text like $${bind.length}`);
    }
  }
  if (query.stage) {
    bind.push(query.stage);
    where.push(`c.stage = $${bind.length}`);
  } else {
    if (!patterns.length && !query.behind) where.push(`c.stage <> 'archived'`);
  }
  if (query.behind) where.push(measured(query.behind, bind));
  return { where: where.join(' and '), from };
}

/** A page of contacts, newest first. */
export async function listContacts(scope: Scope, query: ContactQuery, tx: Tx = reader()): Promise<Page<ContactView>> {
  const bind: unknown[] = [];
  const { where, from } = conditions(scope, query, bind);
  const after = readCursor(query.cursor, 2);
  let keyset = '';
  if (after) {
    bind.push(after[0], after[1]);
    keyset = ` and (c.created_at, c.id) < ($${bind.length - 1}::timestamptz, $${bind.length}::bigint)`;
  }
  bind.push(query.limit + 1);
  const rows = await tx.rows<ContactRow>(
    `select ${CONTACT_COLUMNS} from (select c.* from ${from} where ${where}${keyset} order by c.created_at desc, c.id desc limit $${bind.length}) c ${CONTACT_JOINS} order by c.created_at desc, c.id desc`,
    bind,
  );
  const page = pageOf(rows, query.limit, (row) => [row.created_at.toISOString(), row.id]);
  return { items: page.items.map(contactView), next: page.next };
}

/** How many a query finds, counted no further than `cap`. */
export async function countContacts(
  scope: Scope,
  query: Omit<ContactQuery, 'limit' | 'cursor'>,
  cap = 100_000,
  tx: Tx = reader(),
): Promise<number> {
  const bind: unknown[] = [];
  const { where, from } = conditions(scope, { ...query, limit: 0 }, bind);
  bind.push(cap);
  const row = await tx.first<{ n: number }>(
    `select count(*)::int as n from (select 1 from ${from} where ${where} limit $${bind.length}) found`,
    bind,
  );
  return row!.n;
}

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

/** One contact with what it permits, per channel on its first address. */
export async function findContactWithPermissions(
  scope: Scope,
  id: string,
  tx: Tx = reader(),
): Promise<ContactView & PermissionsView> {
  const contact = await findContact(scope, id, tx);
  const details = await readPermissions(tx, scope.accountId, [...contact.emails, ...contact.phones]);
  const state = (channel: 'call' | 'text' | 'email') =>
    permissionFor(details, channel, (channel === 'email' ? contact.emails : contact.phones)[0]).state;
  return {
    ...contact,
    permissions: { call: state('call'), text: state('text'), email: state('email') },
    permission_details: details,
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

/** Writes the search text of contacts anew from names, points, town and tags. */
export const refreshSearch = (tx: Tx, contactIds: string[]): Promise<void> =>
  tx.run(
    `insert into contact_search (contact_id, search_text)
     select c.id, ' ' || lower(unaccent(concat_ws(' ', c.first_name, c.last_name, c.city, c.postal_code,
       (select string_agg(case when kind = 'phone' then regexp_replace(value, '\\D', '', 'g') else value end, ' ') from contact_points where contact_id = c.id),
       (select string_agg(t.name, ' ') from contact_tags ct join tags t on t.id = ct.tag_id where ct.contact_id = c.id))))
     from contacts c where c.id = any($1::bigint[])
     on conflict (contact_id) do update set search_text = excluded.search_text`,
    [contactIds],
  );
