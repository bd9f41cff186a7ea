/** Listings in PostgreSQL: found by criteria, by number or address, and the names that one can ask for. */
import type { Scope } from '@/core/accounts';
import { ON_THE_MARKET, type Criteria, type Listing, type ListingStatus, type ListingView } from '@/core/market';
import { notFound, type Page } from '@/core/shared';
import { nameSql, reader, type Tx } from '../shared';

const COLUMNS = `l.id, l.number, l.status, l.price::float8 as price, l.address, l.city, l.postal_code, l.area, l.beds::float8 as beds, l.baths::float8 as baths,
  l.living_area::float8 as living_area, l.type, l.kind, l.latitude, l.longitude, l.pool, l.open_from, l.open_to, l.remarks, l.on_market::text as on_market, l.agent_name,
  case when u.id is not null then jsonb_build_object('id', u.id::text, 'name', ${nameSql('u')}) end as agent`;
const FROM = 'from listings l left join users u on u.id = l.agent_id and u.active';

/** PostgreSQL takes for the edge of a polygon what is nearer than a fixed tolerance, meant for larger numbers than degrees: some metres. */
const FINE = 1_000_000;

/** The conditions of criteria in SQL, each over bound values; `meets` in core says the same in memory. */
export function criteriaSql(criteria: Criteria, at: Date, bind: unknown[]): string[] {
  const put = (value: unknown): string => `$${bind.push(value)}`;
  const { areas, within, price_min, price_max, beds_min, kinds, lease, open_house } = criteria;
  const conditions: string[] = [];
  if (areas?.length) {
    const names = put(areas.map((name) => name.toLowerCase()));
    conditions.push(
      `(lower(l.city) = any(${names}::text[]) or lower(l.area) = any(${names}::text[]) or lower(l.postal_code) = any(${names}::text[]))`,
    );
  }
  if (within?.length) {
    const ring = put(`(${within.map(([x, y]) => `(${x * FINE},${y * FINE})`).join(',')})`);
    conditions.push(
      `(l.longitude is not null and l.latitude is not null and ${ring}::polygon @> point(l.longitude * ${FINE}, l.latitude * ${FINE}))`,
    );
  }
  if (price_min !== undefined) conditions.push(`l.price >= ${put(price_min)}::numeric`);
  if (price_max !== undefined) conditions.push(`l.price <= ${put(price_max)}::numeric`);
  if (beds_min !== undefined) conditions.push(`l.beds >= ${put(beds_min)}::numeric`);
  if (kinds?.length) conditions.push(`lower(l.kind) = any(${put(kinds.map((kind) => kind.toLowerCase()))}::text[])`);
  if (lease !== undefined) conditions.push(`(coalesce(l.type, '') ~* 'lease|rent') = ${put(lease)}::boolean`);
  if (open_house) conditions.push(`coalesce(l.open_to, l.open_from) > ${put(at)}::timestamptz`);
  return conditions;
}

export interface ListingQuery {
  /** Each must be met. */
  criteria: Criteria[];
  statuses: readonly ListingStatus[];
  /** Part of an address or a number. */
  q?: string;
  limit: number;
  cursor?: string | undefined;
}

/** A page of listings, the newest on the market first, and how many there are in all. @throws AppError input_invalid for a cursor that is none */
export async function listListings(
  accountId: string,
  query: ListingQuery,
  at: Date,
): Promise<Page<ListingView> & { total: number }> {
  const bind: unknown[] = [accountId, query.statuses];
  const conditions = ['l.account_id = $1', 'l.status = any($2::text[])'];
  for (const criteria of query.criteria) conditions.push(...criteriaSql(criteria, at, bind));
  const words = query.q?.trim();
  if (words) {
    bind.push(`%${words.replace(/[\\%_]/g, '\\$&')}%`);
    conditions.push(`(l.address ilike $${bind.length} or l.number ilike $${bind.length} or l.area ilike $${bind.length})`);
  }
  const where = conditions.join(' and ');
  const from = Math.max(0, Math.floor(Number(query.cursor) || 0));
  const rows = await reader().rows<ListingView & { total: number }>(
    `select ${COLUMNS}, count(*) over ()::int as total ${FROM} where ${where} order by l.on_market desc nulls last, l.id desc limit ${query.limit} offset ${from}`,
    bind,
  );
  const total =
    rows[0]?.total ??
    (from ? (await reader().first<{ n: number }>(`select count(*)::int as n ${FROM} where ${where}`, bind))!.n : 0);
  const next = from + rows.length < total && rows.length ? String(from + rows.length) : null;
  return { items: rows.map(({ total: all, ...row }) => (void all, row)), next, total };
}

/** @throws AppError not_found */
export async function findListing(scope: Scope, id: string): Promise<ListingView> {
  const row = await reader().first<ListingView>(`select ${COLUMNS} ${FROM} where l.id = $1 and l.account_id = $2`, [
    id,
    scope.accountId,
  ]);
  if (!row) throw notFound('listing');
  return row;
}

/** A listing by its number; null when it is not known. */
export const listingOfNumber = (accountId: string, number: string, tx: Tx = reader()): Promise<ListingView | null> =>
  tx.first<ListingView>(`select ${COLUMNS} ${FROM} where l.account_id = $1 and l.number = $2`, [accountId, number]);

/** Listings by their numbers, in the order asked for; what is not known is left out. */
export async function listingsOfNumbers(accountId: string, numbers: string[]): Promise<ListingView[]> {
  if (!numbers.length) return [];
  return reader().rows<ListingView>(
    `select ${COLUMNS} ${FROM} where l.account_id = $1 and l.number = any($2::text[]) order by array_position($2::text[], l.number)`,
    [accountId, numbers],
  );
}

/** What an inquiry speaks of, by the number of the listing or else its address; null when it is none of those known. */
export const listingAskedAbout = (
  tx: Tx,
  accountId: string,
  asked: { id?: string | undefined; address?: string | undefined },
): Promise<ListingView | null> =>
  tx.first<ListingView>(
    `select ${COLUMNS} ${FROM} where l.account_id = $1 and (l.number = $2 or lower(l.address) = $3) order by (l.number = $2) desc nulls last, l.changed_at desc limit 1`,
    [accountId, asked.id ?? null, asked.address?.trim().toLowerCase() ?? null],
  );

/** The names of areas and kinds among the listings on the market, with how many each has. */
export async function marketNames(
  accountId: string,
): Promise<{ areas: { name: string; town: string | null; n: number }[]; kinds: { name: string; n: number }[] }> {
  const bind = [accountId, ON_THE_MARKET];
  const areas = await reader().rows<{ name: string; town: string | null; n: number }>(
    `select name, town, n from (
       select city as name, null::text as town, count(*)::int as n from listings where account_id = $1 and status = any($2::text[]) and city is not null group by city
       union all
       select area, min(city), count(*)::int from listings where account_id = $1 and status = any($2::text[]) and area is not null group by area
     ) x order by coalesce(town, name), town nulls first, name`,
    bind,
  );
  const kinds = await reader().rows<{ name: string; n: number }>(
    `select kind as name, count(*)::int as n from listings where account_id = $1 and status = any($2::text[]) and kind is not null group by kind order by n desc, kind`,
    bind,
  );
  return { areas, kinds };
}

/** How many are on the market. */
export const countOnMarket = async (accountId: string): Promise<number> =>
  (await reader().first<{ n: number }>(
    `select count(*)::int as n from listings where account_id = $1 and status = any($2::text[])`,
    [accountId, ON_THE_MARKET],
  ))!.n;

/** A row for the upsert, by the names of the table. */
export const rowOfListing = (listing: Listing): object => ({
  number: listing.number,
  status: listing.status,
  price: listing.price,
  address: listing.address,
  city: listing.city,
  postal_code: listing.postalCode,
  area: listing.area,
  beds: listing.beds,
  baths: listing.baths,
  living_area: listing.livingArea,
  type: listing.type,
  kind: listing.kind,
  latitude: listing.latitude,
  longitude: listing.longitude,
  pool: listing.pool,
  open_from: listing.openFrom,
  open_to: listing.openTo,
  remarks: listing.remarks,
  agent_name: listing.agentName,
  on_market: listing.onMarket,
});
