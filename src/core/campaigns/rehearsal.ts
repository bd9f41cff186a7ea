/**
 * A rehearsal of a campaign: what it would do, day by day, to the people whom it would take today, each at their own hours, under the
 * guardrails and beside the other campaigns that they are in. Nobody answers in a rehearsal, so it says the most that can happen.
 */
import { CONVERSATION_CHANNEL } from '../conversations';
import { byChannel, type Channel, type Because } from '../contacts';
import { DAY, localDayNumber } from '../shared';
import {
  type TouchEffect,
  type TouchDecision,
  decideTouch,
  firstDue,
  type RunningCampaign,
  type EnrollmentState,
  type TouchedContact,
} from './engine';
import type { Guardrails } from './guardrails';
import type { Plan, Step } from './plan';

/** Another campaign in which somebody is. */
export interface Under {
  campaign: RunningCampaign;
  enrollment: EnrollmentState;
  dueAt: Date;
}
/** Somebody whom the campaign would take, with the other campaigns in which they are. */
export interface RehearsedContact {
  contact: TouchedContact;
  agent: string | null;
  under: readonly Under[];
}

/** How much a campaign would send on one day to come. */
export interface DayForecast extends Record<Channel, number> {
  /** Days from today. */
  day: number;
  task: number;
}
/** What a campaign would do for the people it would take. */
export interface Forecast {
  people: number;
  /** Those for whom nothing at all would come of it. */
  untouched: number;
  days: DayForecast[];
  /** Touches that would not go, and those that would move, by the guardrail. */
  held: Partial<Record<Because['why'], number>>;
  moved: Partial<Record<Because['why'], number>>;
  /** Days on which somebody would be touched by this and by another campaign, by the name of the other. */
  clashes: Record<string, number>;
  /** Calls asked of an agent on a day, the most first. */
  calls: { agent: string; day: number; calls: number }[];
  letters: number;
}

/** Words take most of the time and nothing of the answer. */
export const withoutWords = (plan: Plan): Plan => {
  const bare = (steps: readonly Step[]): Step[] =>
    steps.map((step) => {
      if (step.do === 'touch') return { ...step, words: { text: '', plain: '' } };
      return step.do === 'branch' ? { ...step, yes: bare(step.yes), no: bare(step.no) } : step;
    });
  return { ...plan, steps: bare(plan.steps) };
};

/** Nobody is in more steps of one campaign than this within the days of a rehearsal. */
const MOST_TURNS = 2_000;
const MOST_CALLS = 12;

interface Line extends Under {
  own: boolean;
}

/** The days on which somebody is touched by this campaign, and by others. */
interface Touched {
  mine: Set<number>;
  theirs: Map<number, string>;
}
const goOn = (line: Line, next: Extract<TouchDecision['next'], { state: 'active' }>): void => {
  const { step, round, lastAt, waiting, dueAt } = next;
  line.enrollment = { ...line.enrollment, step, round, lastAt, hasWaited: waiting };
  line.dueAt = dueAt;
};

/** Gathers a forecast person by person, so that any number can be rehearsed in little memory. */
export class CampaignForecast {
  private people = 0;
  private untouched = 0;
  private readonly days = new Map<number, DayForecast>();
  private readonly held = new Map<Because['why'], number>();
  private readonly moved = new Map<Because['why'], number>();
  private readonly clashes = new Map<string, number>();
  private readonly calls = new Map<string, number>();

  constructor(
    private readonly campaign: RunningCampaign,
    private readonly guardrails: Guardrails,
    private readonly from: Date,
    private readonly length: number,
  ) {}

  add({ contact, agent, under }: RehearsedContact): void {
    this.people += 1;
    const end = this.from.getTime() + this.length * DAY;
    const zone = contact.timeZone;
    const today = localDayNumber(this.from, zone);
    const first = firstDue(this.campaign, this.from, zone, contact.dates);
    const lines: Line[] = under.map((one) => ({ ...one, own: false }));
    if (first) {
      const enrollment = { id: '0', step: first.step, round: 0, startedAt: this.from, lastAt: null, hasWaited: false };
      lines.push({ campaign: this.campaign, enrollment, dueAt: first.at, own: true });
    }
    const person = { ...contact, touched: [...contact.touched] };
    const days: Touched = { mine: new Set(), theirs: new Map() };
    let any = false;
    for (let turns = 0; turns < MOST_TURNS && lines.some(({ own }) => own); turns += 1) {
      const line = lines.reduce((a, b) => (b.dueAt < a.dueAt ? b : a));
      if (line.dueAt.getTime() > end) break;
      const now = line.dueAt < this.from ? this.from : line.dueAt;
      const { effects, next } = decideTouch(line.campaign, line.enrollment, person, this.guardrails, now);
      const day = localDayNumber(now, zone) - today;
      for (const effect of effects) {
        if (effect.do === 'send' || effect.do === 'talk') {
          person.touched.push({ at: now, channel: effect.do === 'talk' ? CONVERSATION_CHANNEL : effect.channel });
          if (line.own) days.mine.add(day);
          else days.theirs.set(day, line.campaign.name);
        }
        if (line.own) this.tally(effect, day, agent);
        any ||= line.own && effect.do !== 'tell';
      }
      if (next.state === 'finished') lines.splice(lines.indexOf(line), 1);
      else goOn(line, next);
    }
    if (!any) this.untouched += 1;
    for (const day of days.mine) if (days.theirs.has(day)) count(this.clashes, days.theirs.get(day)!);
  }

  private tally(effect: TouchEffect, day: number, agent: string | null): void {
    switch (effect.do) {
      case 'tell':
        return count(effect.kind === 'held' ? this.held : this.moved, effect.because.why);
      case 'send':
        this.at(day)[effect.channel] += 1;
        return;
      case 'talk':
        this.at(day)[CONVERSATION_CHANNEL] += 1;
        return;
      case 'task':
        this.at(day)[effect.call ? 'call' : 'task'] += 1;
        if (effect.call) count(this.calls, `${day} ${agent ?? 'nobody'}`);
        return;
      case 'change':
        return;
    }
  }

  private at(day: number): DayForecast {
    let forecast = this.days.get(day);
    if (!forecast) this.days.set(day, (forecast = { day, task: 0, ...byChannel(() => 0) }));
    return forecast;
  }

  result(): Forecast {
    const days = [...this.days.values()].sort((a, b) => a.day - b.day);
    return {
      people: this.people,
      untouched: this.untouched,
      days,
      held: Object.fromEntries(this.held),
      moved: Object.fromEntries(this.moved),
      clashes: Object.fromEntries(this.clashes),
      calls: [...this.calls]
        .map(([key, calls]) => {
          const [day, ...agent] = key.split(' ');
          return { agent: agent.join(' '), day: Number(day), calls };
        })
        .sort((a, b) => b.calls - a.calls || a.day - b.day)
        .slice(0, MOST_CALLS),
      letters: days.reduce((sum, { letter }) => sum + letter, 0),
    };
  }
}
const count = <K>(counts: Map<K, number>, key: K): void => void counts.set(key, (counts.get(key) ?? 0) + 1);
