/** What pages and API answers show of routing. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { Hours } from '../shared';
import type { Tree } from '../segments';
import type { Notify } from './ladder';
import type { Both, RoutingForecast } from './rehearse';
import type { HandOut } from './roster';

interface Named {
  id: string;
  name: string;
}

/** The ladder as pages and the API show it. */
export interface LadderView {
  /** Inquiries of the last 30 days, and those that had somebody before any rung was asked. */
  inquiries: number;
  returning: number;
  by_hand: number;
  by_source: number;
  by_listing: number;
  safety_net: number;
  /** The safety net for whom no rung fits. */
  last_resort: string;
  own_listing: boolean;
  /** Changes with every change of the ladder; whoever changes it says which one they saw. */
  version: string;
  rungs: RungView[];
  rosters: RosterView[];
}

/** A rung as pages and the API show it. */
export interface RungView {
  id: string;
  position: number;
  /** Who it is for, as a sentence. */
  who: string;
  tree: Tree;
  /** True when it names something that is gone. */
  broken: boolean;
  roster: Named;
  campaign: Named | null;
  tags: Named[];
  lender: Named | null;
  lender_roster: Named | null;
  notify: Notify[];
  inquiries: number;
  /** The position of the rung above that takes everybody who fits this one; null when there is none. */
  shadowed_by: number | null;
}

/** A roster as pages and the API show it. */
export interface RosterView {
  id: string;
  name: string;
  hand_out: HandOut;
  window_seconds: number;
  try_seconds: number | null;
  most_turns: number | null;
  then: { to: 'safety_net' | 'roster' | 'commons'; roster: Named | null; seconds: number };
  hides: ('name' | 'source')[];
  sees: 'own' | 'all';
  safety_net: Named;
  /** Seconds until a lead has a person, and until it stays with one, at most. */
  longest: { owned: number; settled: number };
  rungs: number;
  members: RosterMemberView[];
}
/** An agent of a roster as pages show one. */
export interface RosterMemberView {
  id: string;
  name: string;
  email: string;
  weight: number;
  daily_cap: number | null;
  open_cap: number | null;
  hours: Hours[];
  paused: boolean;
  state: 'in' | 'invited' | 'declined';
  /** Leads of the last 30 days, and how many would have been their share. */
  handed: number;
  due: number;
  away_from: Date | null;
  away_until: Date | null;
  away: boolean;
  /** Why they get none now; null when they may. */
  off: string | null;
  next: boolean;
  median_seconds: number | null;
}

/** A lead that waits: for somebody to accept it, or for a first try of whoever has it. */
export interface OfferView {
  id: string;
  inquiry_id: string;
  contact_id: string;
  name: string;
  /** Who has it; null while it is offered. */
  agent: Named | null;
  /** To whom it is offered now. */
  to: string[];
  offered_at: Date;
  ends_at: Date | null;
  commons: boolean;
  because: string;
}

/** A lead offered to whoever looks: what is hidden until it is theirs is null. */
export interface MyOfferView {
  id: string;
  inquiry_id: string;
  name: string | null;
  source: string | null;
  ask: string;
  place: string | null;
  roster: string;
  offered_at: Date;
  ends_at: Date | null;
  commons: boolean;
  /** How many others it is offered to. */
  others: number;
}

/** The way of one inquiry as Intake shows it. */
export interface TraceView {
  inquiry_id: string;
  arrived_at: Date;
  /** Each rung looked at, in order, and why it did not fit; the last one may be the one that did. */
  rungs: { position: number; who: string; fits: boolean; unmet: string | null }[];
  steps: { at: Date; text: string }[];
  because: string;
}

/** A rehearsal of a ladder as pages show it. */
export interface RehearsalView {
  id: string;
  days: number;
  state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';
  inquiries: number;
  done: number;
  error: string | null;
  result:
    | (Omit<RoutingForecast, 'rungs' | 'agents' | 'moves' | 'fairness'> & {
        /** In the order of the rehearsed ladder. */
        rungs: { id: string; position: number; really: number; before: number; after: number }[];
        /** Inquiries of rungs that the rehearsed ladder no longer has. */
        gone: Both;
        agents: { id: string; name: string; really: number; before: number; after: number }[];
        moves: { from: string; from_id: string; to: string; to_id: string; n: number }[];
        fairness: { roster: string; before: number; after: number }[];
      })
    | null;
}
/** What a rehearsal did with one inquiry. */
export interface RehearsedInquiryView {
  inquiry_id: string;
  contact_id: string;
  name: string;
  arrived_at: Date;
  /** Who really has it; who would have had it by the ladder as it is; and as it is changed. */
  really: string | null;
  before: string;
  after: string;
  seconds: number;
}

/** An earlier ladder. */
export interface LadderVersionView {
  id: string;
  made_at: Date;
  made_by: string;
  rungs: string[];
  current: boolean;
}

/** Where a lead of a source may go, when nothing else is known of it. */
export interface SourceRoute {
  /** Null: no rung takes it, and it goes to the last resort. */
  rung: { id: string; position: number; who: string } | null;
  /** The roster, or the name of the last resort. */
  to: string;
  campaign: string | null;
  /** Who is attached: one lender, or a roster of them. */
  lender: string | null;
  tags: string[];
  /** Whatever else it says; otherwise it depends. */
  always: boolean;
}
