/**
 * A rehearsal: a ladder and its rosters over inquiries that came before, without effects. Rosters hand out as they would, with their turns,
 * hours and daily caps; how soon an agent would accept or try is drawn from how soon they really did, for one lead and one agent always
 * the same, so that two ladders differ only by their rungs. Who was away then is not kept, so everybody is taken for here; open-lead
 * caps and conditions on a person are read as of now.
 */
import { hash32, localDayNumber } from '../shared';
import type { Known } from '../segments';
import { decide, type ReadyLadder } from './ladder';
import { startIn, nextRoutingStep, type NetCause } from './next-step';
import { isOffered, type Member, type Roster, type Turn } from './roster';

/** An inquiry of before, as a rehearsal is told of it. */
export interface PastInquiry {
  id: string;
  at: Date;
  known: Known;
  /** Who had it without any rung being asked (came back, added by hand, named by the source); null when the ladder was asked. */
  fixedTo: string | null;
  /** What really happened: the agent it ended with, and the rung. */
  agentId: string | null;
  rungId: string | null;
}

/** What a ladder would have done with an inquiry. */
export interface RehearsalOutcome {
  inquiryId: string;
  rungId: string | null;
  /** The roster it came from in the end. */
  rosterId: string | null;
  agentId: string;
  /** Seconds until somebody had it. */
  seconds: number;
  net: NetCause | null;
}

/** How soon an agent answers: seconds, each as likely as the others; infinity when they never did. */
export type Habits = ReadonlyMap<string, readonly number[]>;
/** For whom nothing is known. */
const USUAL = [60, 120, 240, 600, 1_800, Infinity];

/** A ladder over inquiries of before, without effects. */
export class RoutingRehearsal {
  private readonly turns = new Map<string, Turn>();
  private readonly today = new Map<string, number>();
  private day = NaN;

  constructor(
    private readonly ladder: ReadyLadder,
    private readonly rosters: ReadonlyMap<string, Roster>,
    private readonly lastResort: string,
    private readonly habits: Habits,
    private readonly zone: string,
  ) {}

  /** Takes the inquiries in the order in which they came. */
  take(inquiry: PastInquiry): RehearsalOutcome {
    const nobody = { inquiryId: inquiry.id, rungId: null, rosterId: null, seconds: 0 };
    if (inquiry.fixedTo) return { ...nobody, agentId: inquiry.fixedTo, net: null };
    const { rung } = decide(this.ladder, inquiry.known, inquiry.at);
    const first = rung && this.rosters.get(rung.rosterId);
    if (!rung || !first) return { ...nobody, agentId: this.lastResort, net: 'no_rung' };
    this.newDay(inquiry.at);
    let passing = startIn(first.id);
    let waited = 0;
    for (;;) {
      const roster = this.rosterNow(passing.rosterId);
      const stepped = nextRoutingStep(roster, passing, new Date(inquiry.at.getTime() + waited * 1_000));
      const { step } = stepped;
      const outcome = (agentId: string, seconds: number, net: NetCause | null): RehearsalOutcome => ({
        inquiryId: inquiry.id,
        rungId: rung.id,
        rosterId: roster.id,
        agentId,
        seconds,
        net,
      });
      passing = stepped.passing;
      if (stepped.turn) this.turns.set(roster.id, stepped.turn);
      if (step.do === 'safety_net') return outcome(step.userId, waited, step.cause);
      if (step.do === 'go_on') continue;
      if (step.do === 'give') {
        const tried = this.answer(inquiry.id, step.userId);
        if (step.seconds === null || tried <= step.seconds) return this.given(outcome(step.userId, waited, null));
        waited += step.seconds;
        continue;
      }
      const answers = step.to.map(({ userId }) => ({ userId, after: this.answer(inquiry.id, userId) }));
      const soonest = answers.reduce((best, one) => (one.after < best.after ? one : best));
      if (soonest.after <= step.seconds) return this.given(outcome(soonest.userId, waited + soonest.after, null));
      waited += step.seconds;
    }
  }

  private given(outcome: RehearsalOutcome): RehearsalOutcome {
    this.today.set(outcome.agentId, (this.today.get(outcome.agentId) ?? 0) + 1);
    return outcome;
  }

  private newDay(at: Date): void {
    const day = localDayNumber(at, this.zone);
    if (day === this.day) return;
    this.day = day;
    this.today.clear();
  }

  private rosterNow(id: string): Roster {
    const roster = this.rosters.get(id)!;
    const members = roster.members.map((member): Member => ({
      ...member,
      awayUntil: null,
      today: this.today.get(member.userId) ?? 0,
    }));
    return { ...roster, members, turn: this.turns.get(id) ?? roster.turn };
  }

  private answer(inquiryId: string, userId: string): number {
    const times = this.habits.get(userId);
    const from = times?.length ? times : USUAL;
    return from[hash32(`${inquiryId} ${userId}`) % from.length]!;
  }
}

/** How many leads: as it really was, and rehearsed with the ladder before and after the change. */
export interface Share {
  id: string;
  really: number;
  before: number;
  after: number;
}
/** A number before and after. */
export interface Both {
  before: number;
  after: number;
}
/** What a rehearsal adds up to. */
export interface RoutingForecast {
  inquiries: number;
  /** Asked of the ladder: all but those that somebody had already. */
  asked: number;
  /** With another agent after the change than before it. */
  moved: number;
  rungs: Share[];
  /** No rung fitted; and it ended with a safety net, for that or another reason. */
  fell: Both;
  net: Both;
  agents: Share[];
  /** From whom to whom, of those that would move. */
  moves: { from: string; to: string; n: number }[];
  /** Median and 90th percentile of the seconds until somebody had it. */
  seconds: { before: Spread | null; after: Spread | null };
  /** How unevenly the members of each roster would have been given leads: the largest distance from the share due, in leads. */
  fairness: ({ rosterId: string } & Both)[];
}
/** The middle of times, and how many were late. */
export interface Spread {
  median: number;
  late: number;
}

/** Adds outcomes up, without keeping them. */
export class Tally {
  private inquiries = 0;
  private asked = 0;
  private moved = 0;
  private readonly rungs = new Map<string, Share>();
  private readonly agents = new Map<string, Share>();
  private readonly given = new Map<string, Both>();
  private readonly moves = new Map<string, { from: string; to: string; n: number }>();
  private readonly fell = { before: 0, after: 0 };
  private readonly net = { before: 0, after: 0 };
  private readonly waits = { before: new Waits(), after: new Waits() };

  /** @returns true when the change would have given it to another */
  add(past: PastInquiry, before: RehearsalOutcome, after: RehearsalOutcome): boolean {
    this.inquiries += 1;
    if (past.fixedTo) return false;
    this.asked += 1;
    count(this.rungs, past.rungId, 'really');
    count(this.agents, past.agentId, 'really');
    this.side('before', before);
    this.side('after', after);
    if (before.agentId === after.agentId) return false;
    this.moved += 1;
    const key = `${before.agentId}>${after.agentId}`;
    const move = this.moves.get(key) ?? { from: before.agentId, to: after.agentId, n: 0 };
    move.n += 1;
    this.moves.set(key, move);
    return true;
  }

  private side(when: 'before' | 'after', outcome: RehearsalOutcome): void {
    count(this.rungs, outcome.rungId, when);
    count(this.agents, outcome.agentId, when);
    if (outcome.net === 'no_rung') this.fell[when] += 1;
    if (outcome.net) this.net[when] += 1;
    else {
      const key = `${outcome.rosterId} ${outcome.agentId}`;
      const both = this.given.get(key) ?? { before: 0, after: 0 };
      both[when] += 1;
      this.given.set(key, both);
    }
    this.waits[when].add(outcome.seconds);
  }

  result(rosters: Iterable<Roster>): RoutingForecast {
    const given = (roster: Roster, when: 'before' | 'after') => (id: string) => this.given.get(`${roster.id} ${id}`)?.[when] ?? 0;
    return {
      inquiries: this.inquiries,
      asked: this.asked,
      moved: this.moved,
      rungs: [...this.rungs.values()],
      fell: this.fell,
      net: this.net,
      agents: [...this.agents.values()],
      moves: [...this.moves.values()].sort((a, b) => b.n - a.n),
      seconds: { before: this.waits.before.spread(), after: this.waits.after.spread() },
      fairness: [...rosters]
        .filter(({ handOut }) => !isOffered(handOut))
        .map((roster) => ({
          rosterId: roster.id,
          before: unevenness(roster, given(roster, 'before')),
          after: unevenness(roster, given(roster, 'after')),
        })),
    };
  }
}

function count(of: Map<string, Share>, id: string | null, when: 'really' | 'before' | 'after'): void {
  if (id === null) return;
  const one = of.get(id) ?? { id, really: 0, before: 0, after: 0 };
  one[when] += 1;
  of.set(id, one);
}

/** The largest distance of a member from the share due to them, in leads. Offers that anybody may claim have no share. */
export function unevenness(roster: Pick<Roster, 'members' | 'handOut'>, given: (userId: string) => number): number {
  const members = roster.members.filter(({ active }) => active);
  const all = members.reduce((sum, { userId }) => sum + given(userId), 0);
  const weights = members.reduce((sum, { weight }) => sum + (roster.handOut === 'weighted' ? weight : 1), 0);
  return Math.round(
    members.reduce(
      (most, member) =>
        Math.max(most, Math.abs(given(member.userId) - (all * (roster.handOut === 'weighted' ? member.weight : 1)) / weights)),
      0,
    ),
  );
}
/** Waiting times as counts on a logarithmic scale (steps of 2 %), so that a hundred thousand need no memory of their own. */
class Waits {
  private readonly counts = new Map<number, number>();
  private all = 0;
  add(seconds: number): void {
    const step = seconds <= 1 ? 0 : Math.round(Math.log(seconds) / Math.log(1.02));
    this.counts.set(step, (this.counts.get(step) ?? 0) + 1);
    this.all += 1;
  }
  spread(): Spread | null {
    return this.all ? { median: this.at(0.5), late: this.at(0.9) } : null;
  }
  private at(share: number): number {
    let seen = 0;
    for (const [step, n] of [...this.counts].sort(([a], [b]) => a - b)) {
      seen += n;
      if (seen >= share * this.all) return step === 0 ? 0 : Math.round(1.02 ** step);
    }
    return 0;
  }
}
