/** What pages and API answers show of capture. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */

import type { DoorDefaults } from './door';

export interface InquiryView {
  id: string;
  contact: { id: string; name: string; status: 'created' | 'matched' };
  door: { kind: string; name: string };
  source: string | null;
  ask: string;
  agent: { id: string; name: string } | null;
  because: string | null;
  arrived_at: Date;
  first_try_at: Date | null;
}

export interface DoorView {
  id: string;
  kind: 'api' | 'page' | 'hand' | 'mail';
  name: string;
  slug: string | null;
  /** Where mails for a lead mailbox go; null for other doors and for whoever does not run the office. */
  address: string | null;
  last_arrival_at: Date | null;
  arrivals_30_days: number;
  /** That it has gone quiet by its own habit, in a sentence; null while it has not. */
  quiet: string | null;
  /** The lead source of what comes by it, when the inquiry names none. */
  source: string | null;
  defaults: DoorDefaults;
}
