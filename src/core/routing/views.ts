/** What pages and API answers show of routing. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */

export interface LadderView {
  /** Inquiries of the last 30 days, and those that came back to their agent before any rung was asked. */
  inquiries: number;
  returning: number;
  by_hand: number;
  safety_net: number;
  rungs: {
    id: string;
    position: number;
    who: string;
    roster: string;
    campaign: string | null;
    safety_net: string;
    inquiries: number;
  }[];
  rosters: RosterView[];
}

export interface RosterView {
  id: string;
  name: string;
  safety_net: string;
  members: {
    id: string;
    name: string;
    handed: number;
    away_until: Date | null;
    away: boolean;
    next: boolean;
    median_seconds: number | null;
  }[];
}

export interface OfferView {
  id: string;
  contact_id: string;
  name: string;
  agent: { id: string; name: string };
  offered_at: Date;
  because: string;
}
