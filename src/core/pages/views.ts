/** What pages and API answers show of public pages. Dates are instants; over HTTP they are RFC 3339 text. */
import type { PublicPage } from './page';

/** A public page as its editor shows it. */
export interface PageView {
  id: string;
  name: string;
  /** The last part of its address. */
  slug: string;
  url: string;
  brokerage: string;
  page: PublicPage;
  source: string | null;
  tags: string[];
  last_arrival_at: Date | null;
  arrivals_30_days: number;
  /** Of a home search: visitors of the last 30 days. */
  visitors_30_days: number;
}
