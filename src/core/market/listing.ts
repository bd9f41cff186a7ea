/**
 * A listing as it is known here, and as files bring it: rows with the field names of the RESO Data Dictionary. The times of an open
 * house stand in columns of their own (`OpenHouseStartTime`, `OpenHouseEndTime`), since the dictionary keeps them in another resource.
 */
import { formatNumber } from '../format';
import { oneLine } from '../capture';

export const LISTING_STATUSES = ['coming_soon', 'active', 'under_contract', 'pending', 'closed', 'withdrawn', 'expired'] as const;
/** Where a listing stands, in the terms of the RESO Data Dictionary. */
export type ListingStatus = (typeof LISTING_STATUSES)[number];
/** Shown to visitors of a home search. */
export const ON_THE_MARKET: readonly ListingStatus[] = ['coming_soon', 'active'];

/** A home on the market. */
export interface Listing {
  /** The number that the listing service gives it (`ListingId`). */
  number: string;
  status: ListingStatus;
  /** Whole units of the account's currency; of a lease, for a month. */
  price: number | null;
  address: string;
  city: string | null;
  postalCode: string | null;
  /** The neighborhood (`SubdivisionName`). */
  area: string | null;
  beds: number | null;
  baths: number | null;
  /** Square feet. */
  livingArea: number | null;
  /** `PropertyType` and `PropertySubType`, as the service words them. */
  type: string | null;
  kind: string | null;
  latitude: number | null;
  longitude: number | null;
  pool: boolean;
  /** The next open house. */
  openFrom: Date | null;
  openTo: Date | null;
  remarks: string | null;
  agentName: string | null;
  /** The first day on the market, as `2026-09-13`. */
  onMarket: string | null;
}

const STATUSES: [ListingStatus, RegExp][] = [
  ['coming_soon', /^coming\s*soon$/i],
  ['under_contract', /^active\s*under\s*contract$|^under\s*contract$/i],
  ['active', /^active$/i],
  ['pending', /^pending$/i],
  ['closed', /^(?:closed|sold)$/i],
  ['withdrawn', /^(?:withdrawn|canceled|cancelled|delete|hold)$/i],
  ['expired', /^expired$/i],
];

const plain = (text: string | undefined): string | null => oneLine(text ?? '').slice(0, 300) || null;
function numberOf(text: string | undefined): number | null {
  const digits = (text ?? '').replace(/[$\s,]/g, '');
  return /^-?\d+(?:\.\d+)?$/.test(digits) ? Number(digits) : null;
}
const between = (value: number | null, low: number, high: number): number | null =>
  value !== null && value >= low && value <= high ? value : null;
/** Local times need a zone, so only instants with an offset are read. */
function instantOf(text: string | undefined): Date | null {
  if (!text || !/T.*(?:Z|[+-]\d{2}:?\d{2})$/i.test(text)) return null;
  const at = new Date(text);
  return Number.isNaN(at.getTime()) ? null : at;
}

/** A row by RESO names, whatever their capitals. @returns the listing, or in words why the row is none */
/** The number of a row, though the rest of it cannot be read; null without one. */
export const listingNumber = (row: ReadonlyMap<string, string>): string | null =>
  plain(row.get('listingid')?.trim())?.slice(0, 80) ?? null;

export function readListing(row: ReadonlyMap<string, string>): Listing | string {
  const cell = (name: string): string | undefined => row.get(name.toLowerCase())?.trim();
  const number = listingNumber(row);
  if (!number) return 'has no ListingId';
  const text = cell('StandardStatus') ?? '';
  const status = STATUSES.find(([, words]) => words.test(text))?.[0];
  if (!status) return text ? `has the status “${text.slice(0, 40)}”, which is none of RESO’s` : 'has no StandardStatus';
  const address = plain(cell('UnparsedAddress'));
  if (!address) return 'has no UnparsedAddress';
  const [openFrom, openTo] = [instantOf(cell('OpenHouseStartTime')), instantOf(cell('OpenHouseEndTime'))];
  return {
    number,
    status,
    price: between(numberOf(cell('ListPrice')), 0, 1e12),
    address,
    city: plain(cell('City')),
    postalCode: plain(cell('PostalCode')),
    area: plain(cell('SubdivisionName')),
    beds: between(numberOf(cell('BedroomsTotal')), 0, 200),
    baths: between(numberOf(cell('BathroomsTotalInteger')) ?? numberOf(cell('BathroomsTotalDecimal')), 0, 200),
    livingArea: between(numberOf(cell('LivingArea')), 0, 1e7),
    type: plain(cell('PropertyType')),
    kind: plain(cell('PropertySubType')) ?? plain(cell('PropertyType')),
    latitude: between(numberOf(cell('Latitude')), -90, 90),
    longitude: between(numberOf(cell('Longitude')), -180, 180),
    pool: /^(?:true|y|yes|1)$/i.test(cell('PoolPrivateYN') ?? ''),
    openFrom,
    openTo: openFrom && openTo && openTo > openFrom ? openTo : null,
    remarks: oneLine(cell('PublicRemarks') ?? '').slice(0, 4_000) || null,
    agentName: plain(cell('ListAgentFullName')),
    onMarket: /^\d{4}-\d{2}-\d{2}/.exec(cell('OnMarketDate') ?? cell('ListingContractDate') ?? '')?.[0] ?? null,
  };
}

/** The columns without which a file holds no listings. */
export const NEEDED_COLUMNS = ['ListingId', 'StandardStatus', 'UnparsedAddress'] as const;

/** A price as people read it: `$332,200`, of a lease `$1,240 a month`. */
export function priceWords({ price, type }: Pick<Listing, 'price' | 'type'>): string {
  if (price === null) return 'price on request';
  return `$${formatNumber(Math.round(price))}${/lease|rent/i.test(type ?? '') ? ' a month' : ''}`;
}

/** Rooms, baths and size in a line: `3 bedrooms · 2 baths · 1,540 sq ft`. */
export function roomsWords({ beds, baths, livingArea }: Pick<Listing, 'beds' | 'baths' | 'livingArea'>): string {
  const count = (n: number, one: string, many: string) => `${formatNumber(n)} ${n === 1 ? one : many}`;
  return [
    beds === null ? null : beds === 0 ? 'studio' : count(beds, 'bedroom', 'bedrooms'),
    baths === null ? null : count(baths, 'bath', 'baths'),
    livingArea === null ? null : `${formatNumber(livingArea)} sq ft`,
  ]
    .filter(Boolean)
    .join(' · ');
}
