/** Reading contacts: pages, search, one contact. Every function takes the Scope that limits what it may find. */
import type { Channel, ContactView, MoreView, PermissionsView } from '@/core/contacts';
import { cursorOf, notFound, pageOf, readCursor, type Page } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import type { Measure } from '@/core/results';
import { conditionsOf, type Tree } from '@/core/segments';
import { reader, transact, type Tx } from '../shared';
import { CONTACT_COLUMNS, CONTACT_JOINS, contactView, type ContactRow } from './contacts.rows';
import { measured } from './measured';
import { readMore } from './more';
import { addressesOf, lettersTo, permissionFor, readPermissions } from './permissions';
import { patternsMeant, searchPatterns, tagsNamed } from './search';
import { segmentSql, type SegmentContext } from './segment.sql';
import { visible } from './visible';

export interface ContactQuery {
  q?: string;
  /** The people behind a number in Results. */
  behind?: { measure: Measure; agentId: string | null; from: Date; to: Date; conversationSeconds: number };
  /** The segment, with what it takes to ask it. */
  segment?: { tree: Tree; context: SegmentContext };
  /** For each word of `q` the tags whose name holds it; `withTags` looks them up. */
  tagged?: string[][];
  /** For each word of `q` the patterns that may have been meant, when it is read as mistyped. */
  meant?: string[][];
  sort?: ContactSort;
  descending?: boolean;
  limit: number;
  cursor?: string | null;
}

/** By what the grid may be sorted: the expression, never null, and its type for the page marker. */
const SORTS = {
  created: { sql: 'c.created_at', type: 'timestamptz' },
  name: { sql: 'c.name_key', type: 'text' },
  last_touch: { sql: 'c.last_touch_at', type: 'timestamptz' },
  next_touch: { sql: `coalesce(c.next_touch_at, 'infinity')`, type: 'timestamptz' },
  last_spoke: { sql: `coalesce(f.last_reached_at, '-infinity')`, type: 'timestamptz', facts: true },
  attempts: { sql: 'f.attempts', type: 'int', facts: true },
  stage: { sql: 'c.stage', type: 'text' },
  town: { sql: `lower(coalesce(c.city, ''))`, type: 'text' },
} as const;
export type ContactSort = keyof typeof SORTS;
export const CONTACT_SORTS = Object.keys(SORTS) as ContactSort[];

/** People found by likeness are shown up to here: more are no longer alike. */
const MOST_ALIKE = 20;

/**
 * How the words of a search are met: by names and addresses, by the names of tags, by either, or by likeness. Pages and counts ask
 * `text` and `tags` apart and unite what they find, because PostgreSQL plans each well and the two together badly.
 */
type SearchMode = 'both' | 'text' | 'tags' | 'alike';
const namesTags = (query: Pick<ContactQuery, 'tagged'>): boolean => query.tagged?.some((ids) => ids.length > 0) ?? false;

/** Looks up the tags that the words of a search name. */
export const withTags = async <Q extends Pick<ContactQuery, 'q' | 'tagged'>>(
  scope: Scope,
  query: Q,
  tx: Tx = reader(),
): Promise<Q> => (query.tagged || !query.q ? query : { ...query, tagged: await tagsNamed(scope, query.q, tx) });

/** FROM and WHERE of a query over contacts `c`, with facts `f` when something asks for them. */
export function contactsFrom(
  scope: Scope,
  query: Omit<ContactQuery, 'limit' | 'cursor'>,
  bind: unknown[],
  mode: SearchMode = 'both',
): { from: string; where: string } {
  const where = [visible(scope, bind)];
  let from = 'contacts c';
  const patterns = searchPatterns(query.q ?? '');
  if (patterns.length) from += ' join contact_search s on s.contact_id = c.id';
  else if (query.q?.trim()) where.push('false');
  if (mode === 'alike')
    for (const meant of query.meant!)
      where.push(`(${meant.map((pattern) => `s.search_text like $${bind.push(pattern)}`).join(' or ')})`);
  else
    for (const [at, pattern] of patterns.entries()) {
      const word = `$${bind.push(pattern)}`;
      const tags = mode === 'text' ? [] : (query.tagged?.[at] ?? []);
      const ids = tags.length ? `$${bind.push(tags)}::bigint[]` : '';
      if (!ids) where.push(`s.search_text like ${word}`);
      else if (mode === 'tags')
        where.push(
          `(${word}::text is null or exists (select 1 from contact_tags ct where ct.contact_id = c.id and ct.tag_id = any(${ids})))`,
        );
      else
        where.push(
          `c.id in (select contact_id from contact_search where search_text like ${word} union all select contact_id from contact_tags where tag_id = any(${ids}))`,
        );
    }
  if (query.segment) where.push(segmentSql(query.segment.tree, query.segment.context, bind));
  if (query.behind) where.push(measured(query.behind, bind));
  if (!patterns.length && !query.behind && !asksForStage(query.segment?.tree)) where.push(`c.stage <> 'archived'`);
  if (where.some((part) => /\bf\./.test(part)) || (query.sort && 'facts' in SORTS[query.sort]))
    from += ' join contact_facts f on f.contact_id = c.id';
  return { from, where: where.join(' and ') };
}

/** Archived people stay out of sight until somebody asks for a stage or searches. */
const asksForStage = (tree: Tree | undefined): boolean =>
  tree !== undefined && conditionsOf(tree).some(({ on }) => on === 'stage');

/** A page of contacts. A search that finds nobody is tried once more, tolerant of typing errors; `approximate` says so. */
export async function listContacts(scope: Scope, asked: ContactQuery): Promise<Page<ContactView> & { approximate: boolean }> {
  const query = await withTags(scope, asked);
  const byText = await pageOfContacts(scope, query, reader(), 'text');
  const strict = namesTags(query) ? united(byText, await pageOfContacts(scope, query, reader(), 'tags'), query) : byText;
  if (strict.items.length || query.cursor || !query.q) return { ...strict, approximate: false };
  const loose = await transact(async (tx) => {
    const meant = await patternsMeant(scope, query.q!, tx);
    return meant && pageOfContacts(scope, { ...query, meant, limit: Math.min(query.limit, MOST_ALIKE) }, tx, 'alike');
  });
  return { items: loose?.items ?? [], next: null, approximate: Boolean(loose?.items.length) };
}

async function pageOfContacts(scope: Scope, query: ContactQuery, tx: Tx, mode: SearchMode): Promise<Ranked> {
  const bind: unknown[] = [];
  const { where, from } = contactsFrom(scope, query, bind, mode);
  const { sql, type } = SORTS[query.sort ?? 'created'];
  const way = (query.descending ?? query.sort === undefined) ? 'desc' : 'asc';
  const after = readCursor(query.cursor, 2);
  const keyset = after
    ? ` and (${sql}, c.id) ${way === 'desc' ? '<' : '>'} ($${bind.push(after[0])}::${type}, $${bind.push(after[1])}::bigint)`
    : '';
  const rows = await tx.rows<ContactRow & { sort_key: string; rank: Date | string | number }>(
    `select ${CONTACT_COLUMNS}, page.rank::text as sort_key, page.rank from (
       select c.id, ${sql} as rank from ${from} where ${where}${keyset} order by 2 ${way}, c.id ${way} limit $${bind.push(query.limit + 1)}) page
     join contacts c on c.id = page.id ${CONTACT_JOINS} order by page.rank ${way}, c.id ${way}`,
    bind,
  );
  const page = pageOf(rows, query.limit, (row) => [row.sort_key, row.id]);
  return {
    items: page.items.map(contactView),
    next: page.next,
    keys: page.items.map((row) => row.sort_key),
    values: page.items.map((row) => row.rank),
  };
}

/** A page with what its items are ordered by. */
interface Ranked extends Page<ContactView> {
  keys: string[];
  values: (Date | string | number)[];
}

/** Two pages of one order as one: each person once, cut to the size of a page. */
function united(a: Ranked, b: Ranked, query: ContactQuery): Page<ContactView> {
  const way = (query.descending ?? query.sort === undefined) ? -1 : 1;
  const all = [a, b].flatMap((page) => page.items.map((item, n) => ({ item, key: page.keys[n]!, value: page.values[n]! })));
  const once = [...new Map(all.map((one) => [one.item.id, one])).values()].sort(
    (x, y) => way * (x.value < y.value ? -1 : x.value > y.value ? 1 : Number(BigInt(x.item.id) - BigInt(y.item.id))),
  );
  const items = once.slice(0, query.limit);
  const last = items.at(-1);
  const more = once.length > query.limit || a.next !== null || b.next !== null;
  return { items: items.map(({ item }) => item), next: more && last ? cursorOf([last.key, last.item.id]) : null };
}

/** How many a query finds, counted no further than `cap`; null counts all. */
export async function countContacts(
  scope: Scope,
  query: Omit<ContactQuery, 'limit' | 'cursor' | 'sort'>,
  cap: number | null = 1_001,
  tx: Tx = reader(),
): Promise<number> {
  const bind: unknown[] = [];
  const asked = await withTags(scope, query, tx);
  const limit = cap === null ? '' : ` limit $${bind.push(cap)}`;
  const found = (namesTags(asked) ? (['text', 'tags'] as const) : (['text'] as const)).map((mode) => {
    const { where, from } = contactsFrom(scope, asked, bind, mode);
    return `(select c.id from ${from} where ${where}${limit})`;
  });
  const row = await tx.first<{ n: number }>(
    `select count(*)::int as n from (select * from (${found.join(' union ')}) found${limit}) counted`,
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
  const state = (channel: Channel) => permissionFor(details, channel, addressesOf(channel, contact)[0]).state;
  return {
    ...contact,
    permissions: { call: state('call'), text: state('text'), email: state('email'), letter: state('letter') },
    permission_details: details,
    ...(await readMore(id, tx)),
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
