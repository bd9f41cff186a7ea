/** The simulator's own clock and its agenda: what its people will do, each at its instant, in a fixed order. */
import type { Journal } from './journal';

export interface AgendaItem {
  id: number;
  at: number;
  what: string;
  data: Record<string, unknown>;
}

export class Agenda {
  private plans: AgendaItem[] = [];
  private lastId = 0;
  private offsetMs = 0;
  private heldAt: number | null = null;
  private running: Promise<number> = Promise.resolve(0);

  constructor(
    private readonly journal: Journal,
    private readonly carryOut: (plan: AgendaItem) => Promise<void>,
  ) {
    const done = new Set(journal.lines.filter((line) => line.type === 'done').map((line) => line.id as number));
    for (const line of journal.lines) {
      if (line.type !== 'plan') continue;
      const plan = line as unknown as AgendaItem;
      this.lastId = Math.max(this.lastId, plan.id);
      if (!done.has(plan.id)) this.plans.push(plan);
    }
    this.plans.sort((a, b) => a.at - b.at || a.id - b.id);
  }

  now(): number {
    return this.heldAt ?? Date.now() + this.offsetMs;
  }

  setOffset(offsetMs: number): void {
    this.offsetMs = offsetMs;
    this.heldAt = null;
  }

  hold(at: number): void {
    this.heldAt = at;
  }

  /** Plans something after a delay from now. */
  plan(afterMs: number, what: string, data: Record<string, unknown>): void {
    const plan: AgendaItem = { id: ++this.lastId, at: this.now() + afterMs, what, data };
    this.journal.append({ type: 'plan', ...plan });
    this.plans.splice(this.placeOf(plan), 0, plan);
  }

  /** Behind all that come before it or at the same instant: it has the highest number. */
  private placeOf(plan: AgendaItem): number {
    let from = 0;
    let to = this.plans.length;
    while (from < to) {
      const middle = (from + to) >> 1;
      if (this.plans[middle]!.at <= plan.at) from = middle + 1;
      else to = middle;
    }
    return from;
  }

  /** Strikes out plans that are overtaken, such as the end of a call that was hung up. */
  strike(test: (plan: AgendaItem) => boolean): void {
    for (const plan of this.plans.filter(test)) this.journal.append({ type: 'done', id: plan.id });
    this.plans = this.plans.filter((plan) => !test(plan));
  }

  next(): number | null {
    return this.plans[0]?.at ?? null;
  }

  /** Carries out what is due by now, one after another; calls made meanwhile queue up behind. */
  run(): Promise<number> {
    this.running = this.running.catch(() => 0).then(() => this.runDue());
    return this.running;
  }

  private async runDue(): Promise<number> {
    let ran = 0;
    for (let plan = this.plans[0]; plan && plan.at <= this.now(); plan = this.plans[0]) {
      this.plans.shift();
      await this.carryOut(plan);
      this.journal.append({ type: 'done', id: plan.id });
      ran += 1;
    }
    return ran;
  }
}
