/** Which homes a search asks for: the conditions, in words, as the words of an address, and answered in memory. The server has them once more in SQL; a test requires that both agree. */
import { formatMoney } from '../format';
import { isInside } from '../segments';
import type { Listing } from './listing';

/** What homes are asked for. */
export interface Criteria {
  /** Towns, neighborhoods or postal codes by name; any of them. */
  areas?: string[] | undefined;
  /** An area drawn on a map: its corners as longitude and latitude. Beside `areas`, both must hold. */
  within?: [number, number][] | undefined;
  price_min?: number | undefined;
  price_max?: number | undefined;
  beds_min?: number | undefined;
  /** Kinds as the listing service words them; any of them. */
  kinds?: string[] | undefined;
  /** For sale or for rent. */
  lease?: boolean | undefined;
  /** With an open house to come. */
  open_house?: boolean | undefined;
}

export const isLease = ({ type }: Pick<Listing, 'type'>): boolean => /lease|rent/i.test(type ?? '');
const same = (a: string | null, b: string): boolean => a !== null && a.toLowerCase() === b.toLowerCase();

const within = ({ longitude, latitude }: Listing, ring: [number, number][]): boolean =>
  longitude !== null && latitude !== null && isInside([longitude, latitude], ring);
const atLeast = (value: number | null, least: number | undefined): boolean =>
  least === undefined || (value !== null && value >= least);
const atMost = (value: number | null, most: number | undefined): boolean =>
  most === undefined || (value !== null && value <= most);
const isInAny = ({ city, area, postalCode }: Listing, names: readonly string[]): boolean =>
  names.some((name) => [city, area, postalCode].some((own) => same(own, name)));

/** Each condition; one that is not asked for holds. */
const CONDITIONS: ((listing: Listing, criteria: Criteria, at: Date) => boolean)[] = [
  (listing, { areas }) => !areas?.length || isInAny(listing, areas),
  (listing, { within: ring }) => !ring?.length || within(listing, ring),
  ({ price }, { price_min, price_max }) => atLeast(price, price_min) && atMost(price, price_max),
  ({ beds }, { beds_min }) => atLeast(beds, beds_min),
  (listing, { kinds }) => !kinds?.length || kinds.some((kind) => same(listing.kind, kind)),
  (listing, { lease }) => lease === undefined || isLease(listing) === lease,
  ({ openFrom, openTo }, { open_house }, at) => !open_house || (openFrom !== null && (openTo ?? openFrom) > at),
];

/** Whether a listing is asked for. Whether it is on the market is asked apart. */
export const meets = (listing: Listing, criteria: Criteria, at: Date): boolean =>
  CONDITIONS.every((holds) => holds(listing, criteria, at));

/** The criteria in words: `Homes for sale in Saltmarsh or Eelgrass, $300,000 to $450,000, 3 bedrooms or more`. */
export function criteriaWords(criteria: Criteria): string {
  const { areas, within: ring, price_min, price_max, beds_min, kinds, lease, open_house } = criteria;
  const what = kinds?.length ? kinds.join(', ') : 'Homes';
  const parts = [
    `${what}${lease === undefined ? '' : lease ? ' for rent' : ' for sale'}${areas?.length ? ` in ${areas.join(' or ')}` : ''}`,
    ring?.length ? 'inside your area' : null,
    price_min !== undefined && price_max !== undefined
      ? `${formatMoney(price_min)} to ${formatMoney(price_max)}`
      : price_min !== undefined
        ? `from ${formatMoney(price_min)}`
        : price_max !== undefined
          ? `to ${formatMoney(price_max)}`
          : null,
    beds_min ? `${beds_min} ${beds_min === 1 ? 'bedroom' : 'bedrooms'} or more` : null,
    open_house ? 'with an upcoming open house' : null,
  ];
  return parts.filter(Boolean).join(', ');
}

const NUMBERS = ['price_min', 'price_max', 'beds_min'] as const;
const listed = (text: string | undefined): string[] =>
  (text ?? '')
    .split('|')
    .map((one) => one.trim().slice(0, 100))
    .filter(Boolean)
    .slice(0, 50);

/** Reads criteria from the words of an address; what cannot be read is as if it were not there. */
export function criteriaOfWords(words: Record<string, string | undefined>): Criteria {
  const criteria: Criteria = {};
  const areas = listed(words.areas);
  const kinds = listed(words.kinds);
  if (areas.length) criteria.areas = areas;
  if (kinds.length) criteria.kinds = kinds;
  for (const name of NUMBERS) {
    const value = Number((words[name] ?? '').replace(/[$,\s]/g, ''));
    if (words[name]?.trim() && Number.isFinite(value) && value >= 0) criteria[name] = value;
  }
  if (words.lease === 'true' || words.lease === 'false') criteria.lease = words.lease === 'true';
  if (words.open_house === 'true') criteria.open_house = true;
  const ring = listed((words.within ?? '').replaceAll(' ', '|')).map((corner) => corner.split(',').map(Number));
  if (ring.length >= 3 && ring.every((corner) => corner.length === 2 && corner.every(Number.isFinite)))
    criteria.within = ring as [number, number][];
  return criteria;
}

/** The criteria as words of an address; `criteriaOfWords` reads them. */
export function wordsOfCriteria(criteria: Criteria): Record<string, string> {
  const words: Record<string, string> = {};
  if (criteria.areas?.length) words.areas = criteria.areas.join('|');
  if (criteria.kinds?.length) words.kinds = criteria.kinds.join('|');
  for (const name of NUMBERS) if (criteria[name] !== undefined) words[name] = String(criteria[name]);
  if (criteria.lease !== undefined) words.lease = String(criteria.lease);
  if (criteria.open_house) words.open_house = 'true';
  if (criteria.within?.length) words.within = criteria.within.map((corner) => corner.join(',')).join(' ');
  return words;
}
