/**
 * Pages and counts of contacts: by segment, by search, by the number of a result. Every function takes the Scope that limits what
 * it may find.
 */
import type { SortedColumn } from '@/core/columns';
import type { ContactView } from '@/core/contacts';
import { pageOf, readCursor, type Page } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import type { Behind } from '@/core/results';
import { conditionsOf, type Tree } from '@/core/segments';
import { nameSql, reader, transact, type Tx } from '../shared';
import { CONTACT_COLUMNS, CONTACT_JOINS, contactView, type ContactRow } from './contacts.rows';
import { measureSql } from './measure.sql';
import { patternsMeant, searchPatterns, tagsNamed } from './search';
import { segmentSql, type SegmentContext } from './segment.sql';
import { visible } from './visible';

export interface ContactQuery {
  q?: string;
  /** The people behind a number in Results. */
  behind?: Behind;
  /** The segment, with what it takes to ask it. */
  segment?: { tree: Tree; context: SegmentContext };
  /** For each word of `q` the tags whose name holds it; `withTags` looks them up. */
  tagged?: string[][];
  /** For each word of `q` the patterns that may have been meant, when it is read as mistyped. */
  meant?: string[][];
  sort?: SortedColumn;
  descending?: boolean;
  limit: number;
  cursor?: string | null;
}

/** How a page is sorted by a column. */
interface Sorting {
  /** The expression, never null. */
  sql: string;
  /** Its type, for the page marker. */
  type: string;
  /** An index holds it. */
  walked?: true;
  /** It asks the facts. */
  facts?: true;
}
const ORDERS: Record<SortedColumn, Sorting> = {
  created: { sql: 'c.created_at', type: 'timestamptz', walked: true },
  name: { sql: 'c.name_key', type: 'text', walked: true },
  last_touch: { sql: 'c.last_touch_at', type: 'timestamptz', walked: true },
  next_touch: { sql: `coalesce(c.next_touch_at, 'infinity')`, type: 'timestamptz', walked: true },
  last_spoke: { sql: `coalesce(f.last_reached_at, '-infinity')`, type: 'timestamptz', facts: true },
  attempts: { sql: 'f.attempts', type: 'int', facts: true },
  /* Stages and horizons in the order that the office gave them; who has none comes last. */
  stage: {
    sql: `coalesce((select sg.position from stages sg where sg.account_id = c.account_id and sg.key = c.stage), 1000)`,
    type: 'int',
  },
  city: { sql: `lower(coalesce(c.city, ''))`, type: 'text' },
  company: { sql: `lower(coalesce(c.company, ''))`, type: 'text' },
  postal_code: { sql: `coalesce(c.postal_code, '')`, type: 'text' },
  source: { sql: `lower(coalesce(c.source, ''))`, type: 'text' },
  horizon: {
    sql: `coalesce((select h.position from horizons h where h.account_id = c.account_id and h.key = c.horizon), 1000)`,
    type: 'int',
  },
  tags: {
    sql: `(select count(*)::int from contact_tags ct join tags tg on tg.id = ct.tag_id and tg.deleted_at is null where ct.contact_id = c.id)`,
    type: 'int',
  },
  /* A price that is no number is none. */
  wants: {
    sql: `case when jsonb_typeof(c.wants->'price_max') = 'number' then (c.wants->>'price_max')::numeric else 0 end`,
    type: 'numeric',
  },
  agent: { sql: `coalesce((select lower(${nameSql('u')}) from users u where u.id = c.owner_id), '')`, type: 'text' },
  last_visit: { sql: `coalesce(f.last_visit_at, '-infinity')`, type: 'timestamptz', facts: true },
  saved_homes: { sql: 'f.saved_homes', type: 'int', facts: true },
  talk: { sql: 'f.talk_seconds', type: 'int', facts: true },
};
export const CONTACT_SORTS = Object.keys(ORDERS) as SortedColumn[];

/** People found by likeness are shown up to here: more are no longer alike. */
const MOST_ALIKE = 20;

/**
 * A search looks at so many at the head of its order before it asks the indexes (2 ms), and at so many more when it is known to find
 * more than are counted. What is rarer than that is few to sort.
 */
const NEAR = 1_000;
const FAR = 30_000;
/** How many a count that comes with a page tells exactly. */
export const COUNTED = 1_000;

/**
 * How the words of a search are met: by names and addresses, by the names of tags, by either, or by likeness. Pages and counts ask
 * `text` and `tags` apart and unite what they find, because PostgreSQL plans each well and the two together badly; when several words
 * name tags, one may be met by a name and the other by a tag, and they are asked together.
 */
type SearchMode = 'both' | 'text' | 'tags' | 'alike';
const waysOf = (query: Pick<ContactQuery, 'tagged' | 'meant'>): SearchMode[] => {
  if (query.meant) return ['alike'];
  const named = query.tagged?.filter((ids) => ids.length > 0).length ?? 0;
  return named === 0 ? ['text'] : named === 1 ? ['text', 'tags'] : ['both'];
};

/** Looks up the tags that the words of a search name. */
export const withTags = async <Q extends Pick<ContactQuery, 'q' | 'tagged'>>(
  scope: Scope,
  query: Q,
  tx: Tx = reader(),
): Promise<Q> => (query.tagged || !query.q ? query : { ...query, tagged: await tagsNamed(scope, query.q, tx) });

/** How one word of a search is met: by names and addresses, by the tags that it names, or by either. */
function wordMet(pattern: string, tags: string[], mode: SearchMode, bind: unknown[]): string {
  if (!tags.length) return `s.search_text like $${bind.push(pattern)}`;
  const ids = `$${bind.push(tags)}::bigint[]`;
  return mode === 'tags'
    ? `exists (select 1 from contact_tags ct where ct.contact_id = c.id and ct.tag_id = any(${ids}))`
    : `c.id in (select contact_id from contact_search where search_text like $${bind.push(pattern)} union all select contact_id from contact_tags where tag_id = any(${ids}))`;
}

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
  if (!patterns.length && query.q?.trim()) where.push('false');
  where.push(
    ...(mode === 'alike'
      ? query.meant!.map((meant) => `(${meant.map((one) => `s.search_text like $${bind.push(one)}`).join(' or ')})`)
      : patterns.map((pattern, at) => wordMet(pattern, mode === 'text' ? [] : (query.tagged?.[at] ?? []), mode, bind))),
  );
  if (query.segment) where.push(segmentSql(query.segment.tree, query.segment.context, bind));
  if (query.behind) where.push(measureSql(query.behind, bind));
  if (!patterns.length && !query.behind && !asksForStage(query.segment?.tree)) where.push(`c.stage <> 'archived'`);
  if (where.some((part) => part.includes('s.search_text'))) from += ' join contact_search s on s.contact_id = c.id';
  if (where.some((part) => /\bf\./.test(part)) || (query.sort && ORDERS[query.sort].facts))
    from += ' join contact_facts f on f.contact_id = c.id';
  return { from, where: where.join(' and ') };
}

/** Archived people stay out of sight until somebody asks for a stage or searches. */
const asksForStage = (tree: Tree | undefined): boolean =>
  tree !== undefined && conditionsOf(tree).some(({ on }) => on === 'stage');

/**
 * A page of contacts. A search that finds nobody is tried once more, tolerant of typing errors; `approximate` says so.
 * @param total asked when the way to a page depends on how many there are; whoever counts anyway gives it
 */
export async function listContacts(
  scope: Scope,
  asked: ContactQuery,
  total = () => countContacts(scope, asked),
): Promise<Page<ContactView> & { approximate: boolean }> {
  const query = await withTags(scope, asked);
  const page = (find: Finding) => pageOfContacts(scope, query, reader(), find);
  if (isWalked(query)) {
    const near = await page(walk(NEAR));
    if (near.next) return { ...near, approximate: false };
    const far = (await total()) > COUNTED && (await page(walk(FAR)));
    if (far && far.next) return { ...far, approximate: false };
  }
  const strict = isWalked(query) && (await total()) === 0 ? NOBODY : await page(lookUp);
  if (strict.items.length || query.cursor || !query.q) return { ...strict, approximate: false };
  const loose = await transact(async (tx) => {
    const meant = await patternsMeant(scope, query.q!, tx);
    return meant && pageOfContacts(scope, { ...query, meant, limit: Math.min(query.limit, MOST_ALIKE) }, tx, lookUp);
  });
  return { items: loose?.items ?? [], next: null, approximate: Boolean(loose?.items.length) };
}

const NOBODY = { items: [], next: null };

/** The order of a page: its expression over `c`, its way, what comes after the cursor, and how many. */
interface Order {
  rank: string;
  by: string;
  keyset: string;
  limit: string;
}
/** How the ids of a page are found: `id` and `rank` of no more than the limit, in their order. */
type Finding = (scope: Scope, query: ContactQuery, order: Order, bind: unknown[]) => string;

/** Whether the order of a search has an index to walk and nothing else is asked. */
const isWalked = (query: ContactQuery): boolean =>
  searchPatterns(query.q ?? '').length > 0 && !query.segment && !query.behind && Boolean(ORDERS[query.sort ?? 'created'].walked);

/** Looks at everybody at the head of the order: what many have is found there at once, however badly the planner guesses how many. */
const walk =
  (many: number): Finding =>
  (scope, query, { rank, by, keyset, limit }, bind) =>
    `select head.id, head.rank from (select c.id, ${rank} as rank from contacts c where ${visible(scope, bind)}${keyset} order by 2 ${by}, c.id ${by} limit ${many}) head
   join lateral (select search_text from contact_search where contact_id = head.id offset 0) s on true where ${searchPatterns(
     query.q!,
   )
     .map((pattern, at) => {
       const tags = query.tagged?.[at] ?? [];
       const tagged = tags.length
         ? ` or exists (select 1 from contact_tags ct where ct.contact_id = head.id and ct.tag_id = any($${bind.push(tags)}::bigint[]))`
         : '';
       return `(s.search_text like $${bind.push(pattern)}${tagged})`;
     })
     .join(' and ')} order by head.rank ${by}, head.id ${by} ${limit}`;

/** Asks the indexes, each way apart and cut to a page, and unites what they find. What a walk did not find is rare: its index is asked first (`offset 0`). */
const lookUp: Finding = (scope, query, { rank, by, keyset, limit }, bind) => {
  const found = waysOf(query).map((way) => {
    const { where, from } =
      way === 'text' && isWalked(query)
        ? { from: `(${hits(scope, query.q!, bind)} offset 0) hit join contacts c on c.id = hit.id`, where: visible(scope, bind) }
        : contactsFrom(scope, query, bind, way);
    return `(select c.id, ${rank} as rank from ${from} where ${where}${keyset} order by 2 ${by}, c.id ${by} ${limit})`;
  });
  return found.length > 1 ? `select * from (${found.join(' union ')}) ways order by rank ${by}, id ${by} ${limit}` : found[0]!;
};

async function pageOfContacts(scope: Scope, query: ContactQuery, tx: Tx, find: Finding): Promise<Page<ContactView>> {
  const bind: unknown[] = [];
  const { sql: rank, type } = ORDERS[query.sort ?? 'created'];
  const by = (query.descending ?? query.sort === undefined) ? 'desc' : 'asc';
  const after = readCursor(query.cursor, 2);
  const keyset = after
    ? ` and (${rank}, c.id) ${by === 'desc' ? '<' : '>'} ($${bind.push(after[0])}::${type}, $${bind.push(after[1])}::bigint)`
    : '';
  const limit = `limit $${bind.push(query.limit + 1)}`;
  const rows = await tx.rows<ContactRow & { sort_key: string }>(
    `select ${CONTACT_COLUMNS}, page.rank::text as sort_key from (${find(scope, query, { rank, by, keyset, limit }, bind)}) page
     join contacts c on c.id = page.id ${CONTACT_JOINS} order by page.rank ${by}, c.id ${by}`,
    bind,
  );
  const page = pageOf(rows, query.limit, (row) => [row.sort_key, row.id]);
  return { items: page.items.map(contactView), next: page.next };
}

/** How many a query finds, counted no further than `cap`; null counts all. Tags are asked only when names and addresses do not fill it. */
export async function countContacts(
  scope: Scope,
  query: Omit<ContactQuery, 'limit' | 'cursor' | 'sort'>,
  cap: number | null = COUNTED + 1,
  tx: Tx = reader(),
): Promise<number> {
  const asked = await withTags(scope, query, tx);
  const ways = waysOf(asked);
  const byText = ways.length > 1 && cap !== null ? await counted(scope, asked, ['text'], cap, tx) : 0;
  return byText > 0 && byText === cap ? byText : counted(scope, asked, ways, cap, tx);
}

async function counted(
  scope: Scope,
  query: Omit<ContactQuery, 'limit' | 'cursor' | 'sort'>,
  ways: SearchMode[],
  cap: number | null,
  tx: Tx,
): Promise<number> {
  const bind: unknown[] = [];
  const limit = cap === null ? '' : ` limit $${bind.push(cap)}`;
  const found = ways.map((way) => {
    if (way === 'text' && isSearchOfAll(scope, query)) return `(${hits(scope, query.q!, bind)}${limit})`;
    const { where, from } = contactsFrom(scope, query, bind, way);
    return `(select c.id from ${from} where ${where}${limit})`;
  });
  const row = await tx.first<{ n: number }>(
    `select count(*)::int as n from (select * from (${found.join(' union ')}) found${limit}) counted`,
    bind,
  );
  return row!.n;
}

/** A search by somebody who sees everybody is counted in the search alone, which holds whoever is there: no contact is opened. */
const isSearchOfAll = (scope: Scope, query: Omit<ContactQuery, 'limit'>): boolean =>
  scope.sees === 'all' && !query.segment && !query.behind && searchPatterns(query.q ?? '').length > 0;
/** Everybody in the search whom the words of `q` meet. */
const hits = (scope: Scope, q: string, bind: unknown[]): string =>
  `select s.contact_id as id from contact_search s where s.account_id = $${bind.push(scope.accountId)}${searchPatterns(q)
    .map((pattern) => ` and s.search_text like $${bind.push(pattern)}`)
    .join('')}`;
