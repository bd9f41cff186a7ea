/** What pages and API answers show of campaigns. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { Plan } from './plan';
import type { Forecast } from './rehearsal';

/** A draft enrols nobody yet; held ones stand still at once, with all people in them; off ones let nobody in and nobody goes on. */
export const CAMPAIGN_STATES = ['draft', 'on', 'held', 'off'] as const;
/** Whether a campaign is a draft, on, or off. */
export type CampaignState = (typeof CAMPAIGN_STATES)[number];

/** How many touches of a step went, are held, are waiting. */
export interface StepCount {
  sent: number;
  held: number;
  waiting: number;
}

/** A campaign as pages and the API show it. */
export interface CampaignView {
  id: string;
  name: string;
  state: CampaignState;
  /** Of campaigns of a group a person is in one at a time. */
  group: string | null;
  /** For the team, or for whoever made it. */
  shared: boolean;
  made_by: { id: string; name: string } | null;
  version: { id: string; number: number; made_at: Date };
  plan: Plan;
  /** The first id that no step had in any version. */
  free_id: number;
  may_change: boolean;
  active: number;
  answered: number;
  opted_out: number;
  finished: number;
  /** Of all who were ever in it, those who are clients or past clients now. */
  clients: number;
  total: number;
  /** The next instant at which something of it is due. */
  next_at: Date | null;
  /** By the id of the step. */
  steps: Record<string, StepCount>;
  /** People who go on by an earlier version. */
  on_earlier: number;
}

/** One contact's way through one campaign, as pages and the API show it. */
export interface EnrollmentView {
  id: string;
  campaign: { id: string; name: string };
  state: 'active' | 'paused' | 'stopped' | 'finished';
  because: string | null;
  started_at: Date;
  ended_at: Date | null;
  /** What comes next, for one that is under way. */
  next: { channel: string; day: number; at: Date; waits: boolean } | null;
}

/** A rehearsal of a campaign as pages show it. */
export interface CampaignRehearsalView {
  id: string;
  state: 'waiting' | 'running' | 'done' | 'failed';
  people: number;
  done: number;
  days: number;
  letter_cents: number;
  result: Forecast | null;
  error: string | null;
}
