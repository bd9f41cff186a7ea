/**
 * What a campaign is: for whom, what begins it, its steps on their days (touches, tasks, changes, branches), how it repeats, and what
 * ends it. A plan is kept as a version: people in a campaign go on by the plan they began with, or are moved to a later one.
 */
import type { ContactRole, Channel, DateKind } from '../contacts';
import type { Words } from '../messages';
import type { Tree } from '../segments';
import type { ConversationQuestion } from '../conversations';

export type { Words };

/**
 * When a step is due: so many minutes after the beginning or the step before; so many local days after it at a clock time of the
 * contact, moved on to the next of the weekdays (1 is Monday) where some are named; or days before (negative) or after a date of the
 * person that returns every year.
 */
export type StepTiming =
  | { after: 'start' | 'last'; minutes: number }
  | { after: 'start' | 'last'; days: number; at: string; on?: number[] }
  | { date: DateKind; days: number; at: string };

/** What is asked where ways part. */
export type Ask = { about: 'answered' | 'opened' | 'has_phone' | 'has_email' } | { about: 'segment'; tree: Tree };

/** For whom a task is made: the contact's agent, or whoever has that role in the office. */
export const TASK_ROLES = ['owner', 'caller', 'lender', 'admin'] as const;
/** Whose task a step makes. */
export type TaskRole = (typeof TASK_ROLES)[number];

/** What a step of a campaign changes of a contact. */
export type ContactUpdate =
  | { set: 'tag' | 'untag'; tagId: string }
  | { set: 'stage'; stage: string }
  | { set: 'horizon'; horizon: string | null }
  | { set: 'owner'; userId: string }
  | { set: 'field'; fieldId: string; value: string }
  /** A task for their agent. */
  | { set: 'task'; note: string }
  | { set: 'begin' | 'leave'; campaignId: string };

interface StepBase {
  /** The same in all versions of a campaign, so that people can be moved from one to the next. */
  id: number;
  when: StepTiming;
}
/** Where the words of a touch come from when they are not its own: a template as it is by then, or whichever an A/B test hands out. */
export type WordsFrom = { template: string } | { challenge: string };
/** `words` are its own; where they come from elsewhere, those that go when that is gone. */
export type TouchStep = StepBase & { do: 'touch'; channel: Channel; words: Words; from?: WordsFrom | null };
/** A step that makes a task for a person. */
export type TaskStep = StepBase & { do: 'task'; role: TaskRole; note: string };
/** A step that changes something of the contact. */
export type ChangeStep = StepBase & { do: 'change'; change: ContactUpdate };
/** A step that goes on one way or the other by a question. */
export type BranchStep = StepBase & { do: 'branch'; ask: Ask; yes: Step[]; no: Step[] };
/** A qualifying conversation by text; it goes on by itself, whatever becomes of the campaign. */
export type ConversationStep = StepBase & { do: 'talk'; questions: ConversationQuestion[] };
/** One step of a campaign. */
export type Step = TouchStep | TaskStep | ChangeStep | BranchStep | ConversationStep;

/** What begins it, beside a hand, a rung and a door. */
export type Start =
  /** Somebody who was not among these comes to be: a tag given, a stage or horizon reached, a segment entered. */
  | { on: 'enter'; tree: Tree }
  | { on: 'inquiry'; doors: string[]; sources: string[] }
  | { on: 'date'; date: DateKind; days: number; at: string }
  /** Every year on a day, `MM-DD`. */
  | { on: 'day'; day: string; at: string };

/** What ends or pauses a campaign for somebody. */
export interface Ends {
  /** A reply or a conversation: the follow-up ends, pauses for `pauseDays`, or goes on. */
  answered: 'end' | 'pause' | 'on';
  pauseDays: number;
  /** No channel of the campaign can reach them any more. */
  unreachable: 'end' | 'on';
  /** Done for whoever answered. */
  then: ContactUpdate[];
}

/** What a campaign does, from its start to its end: the version of it that people go through. */
export interface Plan {
  /** Only people of these roles, and to whom the tree applies; empty and null for everybody. */
  roles: ContactRole[];
  who: Tree | null;
  /** Also people with whom somebody works already: clients and past clients. Campaigns end there otherwise. */
  anyStage: boolean;
  starts: Start[];
  steps: Step[];
  /** Begun again every so many days, so many times in all; null times for ever. */
  repeat: { days: number; times: number | null } | null;
  ends: Ends;
  /** What becomes of a touch that may not go at its time: it moves to when it may, or lapses. */
  held: 'move' | 'lapse';
}

export const NO_PLAN: Plan = {
  roles: [],
  who: null,
  anyStage: false,
  starts: [],
  steps: [],
  repeat: null,
  ends: { answered: 'end', pauseDays: 7, unreachable: 'end', then: [] },
  held: 'move',
};

/** All steps, those of branches included, in reading order. */
export const stepsIn = (steps: readonly Step[]): Step[] =>
  steps.flatMap((step) => (step.do === 'branch' ? [step, ...stepsIn(step.yes), ...stepsIn(step.no)] : [step]));

/** An id that no step has. @param free the first that none had in any version: what somebody had is known by its id */
export const freshId = (steps: readonly Step[], free: number): number =>
  Math.max(free, ...stepsIn(steps).map(({ id }) => id + 1));

/** The nominal day of each step by its id, the first being 0: what depends on a date of the person stands where it is written. */
export function daysOf(steps: readonly Step[], from = 0): Map<number, number> {
  const days = new Map<number, number>();
  let last = from;
  for (const step of steps) {
    const { when } = step;
    if ('date' in when) days.set(step.id, last);
    else {
      const after = 'minutes' in when ? Math.floor(when.minutes / 1440) : when.days;
      last = Math.max(when.after === 'start' ? after : last + after, last);
      days.set(step.id, last);
    }
    if (step.do !== 'branch') continue;
    const ways = [daysOf(step.yes, last), daysOf(step.no, last)];
    ways.forEach((way) => way.forEach((day, id) => days.set(id, day)));
    last = Math.max(last, ...ways.flatMap((way) => [...way.values()]));
  }
  return days;
}

/** What follows what, ready to be walked. */
export interface Node {
  step: Step;
  next: number | null;
  /** For a branch: where its ways begin; null where the way ends the campaign. */
  yes: number | null;
  no: number | null;
}
/** A plan as the engine walks it: its steps as nodes with what follows each. */
export interface Program {
  entry: number | null;
  nodes: ReadonlyMap<number, Node>;
}

/** Links the steps of a plan. After a branch's way comes what stands behind the branch. */
export function programOf({ steps }: Pick<Plan, 'steps'>): Program {
  const nodes = new Map<number, Node>();
  const link = (list: readonly Step[], after: number | null): number | null => {
    list.forEach((step, at) => {
      const next = list[at + 1]?.id ?? after;
      const branch = step.do === 'branch';
      nodes.set(step.id, {
        step,
        next,
        yes: branch ? link(step.yes, next) : null,
        no: branch ? link(step.no, next) : null,
      });
    });
    return list[0]?.id ?? after;
  };
  return { entry: link(steps, null), nodes };
}
