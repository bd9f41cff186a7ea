/** People who move from one version of a campaign to another: where each goes on, and what that means for all of them. */
import { programOf, stepsIn, type Plan } from './plan';

/** Somebody who is under way: the step at which they stand, and what they have had of this round, by the ids of the steps. */
export interface EnrollmentProgress {
  step: number;
  round: number;
  had: readonly number[];
}
/** The step and the round at which an enrollment stands. */
export interface EnrollmentPosition {
  step: number;
  round: number;
}

/**
 * Where somebody goes on by another plan: at their step when it is still there and they have not had it; otherwise behind the last step
 * that they have had, on the way on which it stands; at the beginning when they have had nothing of it.
 * @returns null when nothing is left for them
 */
export function placeIn(
  plan: Pick<Plan, 'steps' | 'repeat'>,
  { step, round, had }: EnrollmentProgress,
): EnrollmentPosition | null {
  const { entry, nodes } = programOf(plan);
  if (nodes.has(step) && !had.includes(step)) return { step, round };
  const last = stepsIn(plan.steps).findLast(({ id }) => had.includes(id));
  let next = last ? nodes.get(last.id)!.next : entry;
  while (next !== null && had.includes(next)) next = nodes.get(next)!.next;
  if (next !== null) return { step: next, round };
  const again = plan.repeat && (plan.repeat.times === null || round + 1 < plan.repeat.times);
  return again && entry !== null ? { step: entry, round: round + 1 } : null;
}

/** What a version would mean for the people who are in the campaign, if they moved to it. */
export interface VersionPreview {
  people: number;
  /** By the id of a step: people who have had it and stand before it again. It is left out for them. */
  twice: Record<string, number>;
  /** By the id of a step: people who never had it and stand behind it. */
  never: Record<string, number>;
  /** People whose step is gone. */
  astray: number;
}

export function meaningFor(plan: Pick<Plan, 'steps' | 'repeat'>, people: readonly EnrollmentProgress[]): VersionPreview {
  const order = stepsIn(plan.steps).map(({ id }) => id);
  const preview: VersionPreview = { people: people.length, twice: {}, never: {}, astray: 0 };
  const count = (counts: Record<string, number>, step: number) => (counts[String(step)] = (counts[String(step)] ?? 0) + 1);
  for (const one of people) {
    const place = placeIn(plan, one);
    if (!order.includes(one.step)) preview.astray += 1;
    const from = !place || place.round > one.round ? order.length : order.indexOf(place.step);
    order.forEach((step, at) => {
      const had = one.had.includes(step);
      if (at >= from && had) count(preview.twice, step);
      if (at < from && !had) count(preview.never, step);
    });
  }
  return preview;
}
