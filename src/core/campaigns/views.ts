/** What pages and API answers show of campaigns. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { Touch } from './campaign';

export interface CampaignView {
  id: string;
  name: string;
  state: 'on' | 'held';
  exclusive_group: string | null;
  active: number;
  answered: number;
  opted_out: number;
  finished: number;
  total: number;
  touches: (Touch & { day: number; sent: number; held: number; waiting: number })[];
}

export interface EnrolmentView {
  id: string;
  campaign: { id: string; name: string };
  state: 'active' | 'stopped' | 'finished';
  because: string | null;
  started_at: Date;
  ended_at: Date | null;
  /** What comes next, for one that is under way. */
  next: { channel: string; day: number; at: Date; waits: boolean } | null;
}
