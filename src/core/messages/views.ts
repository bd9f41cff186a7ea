/** What pages and API answers show of messages. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { Channel } from '../contacts';
import type { Finding } from './checks';
import type { Suggestion } from './suggest';
import type { Words } from './words';

/** A message that does not get out, with its reason. */
export interface ParkedView {
  id: string;
  contact_id: string;
  name: string;
  channel: string;
  error: string;
  attempts: number;
  state: string;
}

/** What a wording brought, of those to whom it went. */
export interface DeliveryCounts {
  sent: number;
  delivered: number;
  answered: number;
  opted_out: number;
}

/** A template as pages and the API show it. */
export interface TemplateView {
  id: string;
  channel: Channel;
  name: string;
  words: Words;
  version: number;
  /** For the team, or for whoever made it. */
  shared: boolean;
  /** Most messages of it a day, in the office's zone; null for any number. */
  day_cap: number | null;
  made_by: { id: string; name: string } | null;
  changed_at: Date;
  may_change: boolean;
  /** Of the wording as it is now. */
  brought: DeliveryCounts;
  sent_today: number;
  findings: { errors: number; warnings: number };
  /** How many campaigns use it. */
  campaigns: number;
}

/** One option of a group of variants, with what it brought. */
export interface VariantView extends DeliveryCounts {
  part: 'subject' | 'text' | 'plain';
  group: number;
  option: number;
  text: string;
}

/** An A/B test as pages show it. */
export interface AbTestView {
  id: string;
  name: string;
  channel: Channel;
  made_at: Date;
  ended_at: Date | null;
  winner_id: string | null;
  entrants: (DeliveryCounts & { id: string; name: string })[];
  may_change: boolean;
}

/** What the checks say of words, as the editor shows it. */
export interface CheckedView {
  findings: Finding[];
  /** Why it cannot be used yet. */
  errors: number;
}

/** Somebody who wrote to us, with the last of it. */
export interface AnswerView {
  contact_id: string;
  name: string;
  owner_name: string | null;
  stage: string;
  horizon: string | null;
  unread: boolean;
  /** How many messages nobody has read. */
  unread_n: number;
  at: Date;
  channel: 'text' | 'email';
  text: string;
  subject: string | null;
  opt_out: boolean;
  /** Somebody of ours wrote or called since. */
  answered: boolean;
  /** The campaign that stopped for it. */
  stopped: string | null;
  next: Suggestion;
}
