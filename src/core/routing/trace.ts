/** The way of one inquiry, step by step, as it is stored, and as the sentences people read: why this agent, who was passed over, who was offered it and what they answered. */
import { sentenceOf } from '../contacts';
import { howLong, listed } from '../shared';
import type { Skip, Skipped } from './roster';
import type { NetCause } from './next-step';

export const ANSWERED_BY = ['page', 'text', 'email'] as const;
/** How an offer was answered. */
export type AnsweredBy = (typeof ANSWERED_BY)[number];

/** A step of an inquiry's way to its agent. */
export type TraceStep = { at: string } & (
  | {
      what: 'fixed';
      why: 'returning' | 'shares_address' | 'kept_by_hand' | 'source_assigned' | 'own_listing';
      agent: string;
      listing?: string;
    }
  | { what: 'joined'; agent: string | null }
  | { what: 'given'; roster: string; how: string; agent: string; seconds: number | null; skipped: Skipped[] }
  | { what: 'offered'; roster: string; how: string; to: string[]; seconds: number; skipped: Skipped[] }
  | { what: 'accepted'; agent: string; by: AnsweredBy; after: number; of: number }
  | { what: 'declined'; agent: string; by: AnsweredBy }
  | { what: 'lapsed'; to: string[] }
  | { what: 'untried'; agent: string; seconds: number }
  | { what: 'commons'; roster: string; to: string[]; seconds: number }
  | { what: 'went_on'; roster: string; to: string; skipped: Skipped[] }
  | { what: 'safety_net'; agent: string; roster: string | null; cause: NetCause; skipped: Skipped[] }
  | { what: 'handed_by'; agent: string; by: string }
  | { what: 'left'; agent: string }
);

/** What is stored of a routing: which ladder was read, how far, and what followed. */
export interface Trace {
  /** The rungs above the one that fitted: the index of the part that was not met. */
  unmet: number[];
  /** The position of the rung that fitted; null when none did or none was asked. */
  rung: number | null;
  steps: TraceStep[];
}

const SKIPS: Record<Skip, string> = {
  left: 'has left',
  away: 'is away',
  paused: 'is paused',
  off_hours: 'is off right now',
  daily_cap: 'reached the daily limit',
  open_cap: 'reached the open lead limit',
  had_it: 'had it before',
};
/** `Abel is away and Brisa has had the leads of the day`; empty when nobody was passed over. */
export function skippedWords(skipped: readonly Skipped[]): string {
  const byWhy = new Map<Skip, string[]>();
  for (const { name, why } of skipped) byWhy.set(why, [...(byWhy.get(why) ?? []), name]);
  return listed(
    [...byWhy].map(
      ([why, names]) =>
        `${listed(names)} ${names.length > 1 ? SKIPS[why].replace(/^is /, 'are ').replace(/^has /, 'have ') : SKIPS[why]}`,
    ),
  );
}

const FIXED = {
  returning: 'Returning, so stays with',
  shares_address: 'Shares a phone or email with a contact of',
  kept_by_hand: 'Added by hand, and kept by',
  source_assigned: 'The source named the agent:',
  own_listing: 'Asked about our own listing, so goes to its agent:',
} as const;
const BY: Record<AnsweredBy, string> = { page: '', text: ' by text', email: ' by email' };
const but = (skipped: readonly Skipped[]): string => (skipped.length ? `; ${skippedWords(skipped)}` : '');

/** One step as a sentence. */
export function sentenceOfStep(step: TraceStep): string {
  switch (step.what) {
    case 'fixed':
      return `${FIXED[step.why]} ${step.agent}.`;
    case 'joined':
      return step.agent ? `Belongs to the lead that ${step.agent} has.` : 'Belongs to the lead that’s already being offered.';
    case 'given':
      return `${step.roster}, ${step.how}: ${step.agent} was next${but(step.skipped)}.${step.seconds ? ` Moves on if not attempted within ${howLong(step.seconds * 1000)}.` : ''}`;
    case 'offered':
      return `${step.roster}, ${step.how}: offered to ${listed(step.to)} for ${howLong(step.seconds * 1000)}${but(step.skipped)}.`;
    case 'accepted':
      return `${step.agent} accepted${BY[step.by]} after ${howLong(step.after * 1000)}${step.of > 1 ? `, the first of ${step.of}` : ''}.`;
    case 'declined':
      return `${step.agent} declined${BY[step.by]}.`;
    case 'lapsed':
      return `Time ran out: ${listed(step.to)} didn’t answer.`;
    case 'untried':
      return `${step.agent} didn’t attempt it within ${howLong(step.seconds * 1000)}.`;
    case 'commons':
      return `In the commons of ${step.roster} for ${howLong(step.seconds * 1000)}: first to take it gets it.`;
    case 'went_on':
      return `${step.roster} passes to ${step.to}${but(step.skipped)}.`;
    case 'safety_net':
      return `${sentenceOf({ why: 'safety_net', roster: step.roster, agent: step.agent, cause: step.cause }).slice(0, -1)}${but(step.skipped)}.`;
    case 'handed_by':
      return `Handed to ${step.agent} by ${step.by}.`;
    case 'left':
      return `${step.agent} was deactivated, so it moves on.`;
  }
}
