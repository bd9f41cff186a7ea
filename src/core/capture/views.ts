/** What pages and API answers show of capture. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */

import type { SourceRoute } from '../routing';
import type { DoorDefaults } from './door';

/** An inquiry as pages and the API show it. */
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

/** A door as pages and the API show it. */
export interface DoorView {
  id: string;
  kind: 'api' | 'page' | 'hand' | 'mail' | 'file';
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
  /** For programs: where fields stand in what they send; empty where their labels say enough. */
  mapping: object;
  /** For programs: what comes is read, matched and routed, answered, and not kept. */
  sandbox: boolean;
}

/** Who sends to a lead mailbox, by the domain of their address. */
export interface SenderView {
  id: string;
  domain: string;
  /** As the first mail was signed; empty when it was not. */
  name: string;
  /** The mailbox they write to. */
  door: { id: string; name: string };
  mails: number;
  first_at: Date;
}

/** A lead source as pages show it. */
export interface SourceView {
  id: string;
  name: string;
  /** `proposed`: a lead brought it and nobody has looked at it yet. */
  state: 'known' | 'proposed' | 'merged' | 'none';
  /** For one that was merged: what it is called now. */
  into_name: string | null;
  /** The merge that can be taken apart. */
  merge_id: string | null;
  people: number;
  first_at: Date;
  /** Of sources that are: where its leads go, the likeliest first. */
  routes: SourceRoute[];
  last_lead: { inquiry_id: string; contact_id: string; name: string; at: Date } | null;
  leads_30_days: number;
  /** That it has gone quiet by its own habit, in a sentence; null while it has not. */
  quiet: string | null;
}

/** A request to a door for programs, and what it was answered. */
export interface DoorRequestView {
  id: string;
  at: Date;
  content_type: string;
  body: string;
  status: number;
  answer: unknown;
  sandbox: boolean;
  took_ms: number;
}

/** How a body would be read. */
export interface BodyRead {
  places: { place: string; value: string }[];
  /** The inquiry as it would be checked. */
  inquiry: unknown;
  /** What would be wrong with it. */
  errors: { field: string; message: string }[];
}
