/**
 * A rehearsal: a ladder and its rosters over inquiries that came before, without effects. Rosters hand out as they would, with their turns,
 * hours and daily caps; how soon an agent would accept or try is drawn from how soon they really did. Who was away then is not kept, so
 * everybody is taken for here; open-lead caps and conditions on a person are read as of now.
 */
import { localDay, type Random } from '../shared';
import type { Known } from '../segments';
import { decide, type ReadyLadder } from './ladder';
import { startIn, stepIn, type NetCause } from './passing';
import { isOffered, type Member, type Roster, type Turn } from './roster';

export interface PastInquiry {
  id: string;
  at: Date;
  known: Known;
  /** Who had it without any rung being asked (came back, added by hand, named by the source); null when the ladder was asked. */
  kept: string | null;
  /** What really happened: the agent it ended with, and the seconds until it had one. */
  agentId: string | null;
  rungId: string | null;
  seconds: number | null;
}

export interface Outcome {
  inquiryId: string;
  rungId: string | null;
  agentId: string;
  /** Seconds until somebody had it. */
  seconds: number;
  net: NetCause | null;
}

/** How soon an agent answers: seconds, each as likely as the others; infinity when they never did. */
export type Habits = ReadonlyMap<string, readonly number[]>;
/** For whom nothing is known. */
const USUAL = [60, 120, 240, 600, 1_800, Infinity];

export class Rehearsal {
  private readonly turns = new Map<string, Turn>();
  private readonly today = new Map<string, number>();
  private day = '';

  constructor(
    private readonly ladder: ReadyLadder,
    private readonly rosters: ReadonlyMap<string, Roster>,
    private readonly lastResort: string,
    private readonly habits: Habits,
    private readonly zone: string,
    private readonly random: Random,
  ) {}

  /** Takes the inquiries in the order in which they came. */
  take(inquiry: PastInquiry): Outcome {
    const outcome = (agentId: string, rungId: string | null, seconds: number, net: NetCause | null): Outcome => ({
      inquiryId: inquiry.id,
      rungId,
      agentId,
      seconds,
      net,
    });
    if (inquiry.kept) return outcome(inquiry.kept, null, 0, null);
    const { rung } = decide(this.ladder, inquiry.known, inquiry.at);
    const first = rung && this.rosters.get(rung.rosterId);
    if (!rung || !first) return outcome(this.lastResort, null, 0, 'no_rung');
    this.newDay(inquiry.at);
    let passing = startIn(first.id);
    let waited = 0;
    for (;;) {
      const roster = this.rosterNow(passing.rosterId);
      const stepped = stepIn(roster, passing, new Date(inquiry.at.getTime() + waited * 1_000));
      const { step } = stepped;
      passing = stepped.passing;
      if (stepped.turn) this.turns.set(roster.id, stepped.turn);
      if (step.do === 'safety_net') return outcome(step.userId, rung.id, waited, step.cause);
      if (step.do === 'go_on') continue;
      if (step.do === 'give') {
        const tried = this.answer(step.userId);
        if (step.seconds === null || tried <= step.seconds) return this.given(outcome(step.userId, rung.id, waited, null));
        waited += step.seconds;
        continue;
      }
      const answers = step.to.map(({ userId }) => ({ userId, after: this.answer(userId) }));
      const soonest = answers.reduce((best, one) => (one.after < best.after ? one : best));
      if (soonest.after <= step.seconds) return this.given(outcome(soonest.userId, rung.id, waited + soonest.after, null));
      waited += step.seconds;
    }
  }

  private given(outcome: Outcome): Outcome {
    this.today.set(outcome.agentId, (this.today.get(outcome.agentId) ?? 0) + 1);
    return outcome;
  }

  private newDay(at: Date): void {
    const day = localDay(at, this.zone).start.toISOString();
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

  private answer(userId: string): number {
    const times = this.habits.get(userId);
    const from = times?.length ? times : USUAL;
    return from[Math.floor(this.random.next() * from.length)]!;
  }
}

export interface Share {
  id: string;
  before: number;
  after: number;
}
/** What a rehearsal adds up to. */
export interface Rehearsed {
  inquiries: number;
  /** Asked of the ladder: all but those that somebody had already. */
  asked: number;
  /** With another agent than they had. */
  moved: number;
  rungs: Share[];
  /** No rung fitted. */
  fell: { before: number; after: number };
  net: { before: number; after: number };
  agents: Share[];
  /** From whom to whom, of those that would move. */
  moves: { from: string | null; to: string; n: number }[];
  /** Median and 90th percentile of the seconds until somebody had it. */
  seconds: { before: Spread | null; after: Spread | null };
  /** How unevenly the members of each roster would have been given leads: the largest distance from the share due, in leads. */
  fairness: { rosterId: string; before: number; after: number }[];
}
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
  private readonly moves = new Map<string, { from: string | null; to: string; n: number }>();
  private readonly fell = { before: 0, after: 0 };
  private readonly net = { before: 0, after: 0 };
  private readonly waits = { before: new Waits(), after: new Waits() };

  add(past: PastInquiry, outcome: Outcome, fellBefore: boolean, netBefore: boolean): void {
    this.inquiries += 1;
    if (past.kept) return;
    this.asked += 1;
    const share = (of: Map<string, Share>, id: string | null, when: 'before' | 'after') => {
      if (id === null) return;
      const one = of.get(id) ?? { id, before: 0, after: 0 };
      one[when] += 1;
      of.set(id, one);
    };
    share(this.rungs, past.rungId, 'before');
    share(this.rungs, outcome.rungId, 'after');
    share(this.agents, past.agentId, 'before');
    share(this.agents, outcome.agentId, 'after');
    if (fellBefore) this.fell.before += 1;
    if (outcome.net === 'no_rung') this.fell.after += 1;
    if (netBefore) this.net.before += 1;
    if (outcome.net) this.net.after += 1;
    if (past.seconds !== null) this.waits.before.add(past.seconds);
    this.waits.after.add(outcome.seconds);
    if (past.agentId === outcome.agentId) return;
    this.moved += 1;
    const key = `${past.agentId}>${outcome.agentId}`;
    const move = this.moves.get(key) ?? { from: past.agentId, to: outcome.agentId, n: 0 };
    move.n += 1;
    this.moves.set(key, move);
  }

  result(rosters: Iterable<Roster>): Rehearsed {
    const agents = [...this.agents.values()];
    return {
      inquiries: this.inquiries,
      asked: this.asked,
      moved: this.moved,
      rungs: [...this.rungs.values()],
      fell: this.fell,
      net: this.net,
      agents,
      moves: [...this.moves.values()].sort((a, b) => b.n - a.n),
      seconds: { before: this.waits.before.spread(), after: this.waits.after.spread() },
      fairness: [...rosters].map((roster) => ({
        rosterId: roster.id,
        before: unevenness(roster, (id) => this.agents.get(id)?.before ?? 0),
        after: unevenness(roster, (id) => this.agents.get(id)?.after ?? 0),
      })),
    };
  }
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
export const hasShares = (roster: Pick<Roster, 'handOut'>): boolean => !isOffered(roster.handOut);

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
