/** What pages and API answers show of the market. Dates are instants; over HTTP they are RFC 3339 text. */
import type { ListingStatus } from './listing';

/** A listing as pages and the API show it. */
export interface ListingView {
  id: string;
  number: string;
  status: ListingStatus;
  price: number | null;
  address: string;
  city: string | null;
  postal_code: string | null;
  area: string | null;
  beds: number | null;
  baths: number | null;
  living_area: number | null;
  type: string | null;
  kind: string | null;
  latitude: number | null;
  longitude: number | null;
  pool: boolean;
  open_from: Date | null;
  open_to: Date | null;
  remarks: string | null;
  on_market: string | null;
  /** Whom the file names, and who of us that is. */
  agent_name: string | null;
  agent: { id: string; name: string } | null;
}

/** What became of a file of listings. */
export interface ListingsImported {
  rows: number;
  added: number;
  changed: number;
  same: number;
  /** Were known and not in a file that is said to hold all; they are withdrawn. */
  gone: number;
  /** The first 200 of those. */
  withdrawn: { number: string; address: string }[];
  /** By which the withdrawal can be undone. */
  imported_at: Date;
  refused: { line: number; why: string }[];
}

/** A GeoJSON document (RFC 7946) as the map draws it. */
export interface BaseMap {
  type: 'FeatureCollection';
  features: {
    type: 'Feature';
    properties: { kind: string; name: string };
    geometry: { type: string; coordinates: unknown };
  }[];
}
