/** What pages and API answers show of today. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { TodayEntry } from './rank';

/** Today as pages show it. */
export interface TodayView {
  groups: { key: string; name: string; entries: TodayEntry[] }[];
  /** All who are due, also those beyond what is listed. */
  total: number;
  /** People called or written to by hand today, and how many the person set out to. */
  done: number;
  goal: number;
  now: Date;
}

/** What the Wire stands in before its numbers are counted. */
export interface WireFrame {
  clock: { now: Date; simulated: boolean; held: boolean };
  /** Calls are placed from here: a phone network is connected. */
  calling: boolean;
}

/** The counts on the Wire. */
export interface WireView extends WireFrame {
  today: number;
  /** Inquiries that arrived today. */
  intake: number;
  /** People who wrote what nobody has read. */
  inbox: number;
  contacts: number;
  /** Offers that nobody has tried yet. */
  routing: number;
  /** Contacts under way in campaigns. */
  campaigns: number;
  /** Listings on the market. */
  market: number;
  /** Share of the leads of the last 30 days that somebody called, in per cent; null without leads. */
  results: number | null;
}
