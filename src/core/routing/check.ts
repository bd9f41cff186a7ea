/** What can be said of a ladder and its rosters without any lead: rosters that go in circles, how long a lead may take at most, rungs that nothing can reach. */
import { isCondition, plain, type Condition, type Tree } from '../segments';
import { partsOf, type Rung } from './ladder';
import { isOffered, type Roster } from './roster';

type Way = Pick<Roster, 'id' | 'name' | 'then' | 'handOut' | 'windowSeconds' | 'trySeconds' | 'mostTurns'> & { size: number };

/** The names of rosters that hand on to each other in a circle, from the first back to it; null when there is none. */
export function circleOf(rosters: readonly Pick<Roster, 'id' | 'name' | 'then'>[]): string[] | null {
  const byId = new Map(rosters.map((roster) => [roster.id, roster]));
  for (const start of rosters) {
    const way = [start];
    for (let at = start; at.then.to === 'roster';) {
      const next = byId.get(at.then.rosterId);
      if (!next) break;
      way.push(next);
      if (next.id === start.id) return way.map(({ name }) => name);
      if (way.slice(0, -1).includes(next)) break;
      at = next;
    }
  }
  return null;
}

/** The most seconds until a lead of this roster has a person, and until it stays with one: the sum of all windows on its way. */
export function longestWay(roster: Way, rosters: readonly Way[]): { owned: number; settled: number } {
  let [owned, settled] = [0, 0];
  const seen = new Set<string>();
  for (let at: Way | undefined = roster; at && !seen.has(at.id);) {
    seen.add(at.id);
    const turns = Math.min(at.size, at.mostTurns ?? at.size);
    const here = isOffered(at.handOut)
      ? at.windowSeconds * (at.handOut === 'open' ? Math.min(1, at.size) : turns)
      : at.trySeconds === null
        ? 0
        : at.trySeconds * turns;
    settled += here;
    if (isOffered(at.handOut) || at.size === 0) owned += here;
    if (at.then.to === 'commons') [owned, settled] = [owned + at.then.seconds, settled + at.then.seconds];
    const then: Roster['then'] = at.then;
    at = then.to === 'roster' ? rosters.find(({ id }) => id === then.rosterId) : undefined;
  }
  return { owned, settled };
}

const lower = (values: readonly string[]): string[] => values.map(plain);
const NOT_KNOWN: readonly Condition['how'][] = ['unknown', 'none', 'no', 'not_within'];
type How<H extends Condition['how']> = Extract<Condition, { how: H }>;
const isNarrower = (a: How<'between'>, b: How<'between'>): boolean =>
  (b.from == null || (a.from != null && a.from >= b.from)) && (b.to == null || (a.to != null && a.to <= b.to));
const isWithinHours = (a: How<'at'>, b: How<'at'>): boolean =>
  a.days.every((day) => b.days.includes(day)) && a.from < a.to && b.from < b.to && a.from >= b.from && a.to <= b.to;

/** Does whoever meets `a` always meet `b`? Only what follows from the two conditions alone; false when it cannot be said. */
function implies(a: Condition, b: Condition): boolean {
  if (a.on !== b.on) return false;
  if (JSON.stringify(a) === JSON.stringify(b)) return true;
  switch (b.how) {
    case 'known':
      return !NOT_KNOWN.includes(a.how);
    case 'any': {
      const wanted = lower(b.of);
      if (a.how === 'all') return lower(a.of).some((one) => wanted.includes(one));
      return a.how === 'any' && a.of.length > 0 && lower(a.of).every((one) => wanted.includes(one));
    }
    case 'none':
      return a.how === 'none' && lower(b.of).every((one) => lower(a.of).includes(one));
    case 'between':
      return a.how === 'between' && isNarrower(a, b);
    case 'at':
      return a.how === 'at' && isWithinHours(a, b);
    default:
      return false;
  }
}

/** A part is met by whoever meets these parts. An any-of is met when one of its own is. */
function follows(part: Tree, from: readonly Tree[]): boolean {
  if (from.some((one) => JSON.stringify(one) === JSON.stringify(part))) return true;
  if (isCondition(part)) return from.some((one) => isCondition(one) && implies(one, part));
  if ('any' in part) return part.any.some((one) => follows(one, from));
  if ('all' in part) return part.all.every((one) => follows(one, from));
  return false;
}

/** Rungs that nobody can reach, because whoever fits them fits one above: by the conditions themselves, for whatever can be said so. */
export function shadowedRungs(rungs: readonly Pick<Rung, 'id' | 'position' | 'tree'>[]): { id: string; by: string }[] {
  const ordered = [...rungs].sort((a, b) => a.position - b.position);
  return ordered.flatMap((rung, at) => {
    const above = ordered.slice(0, at).find((upper) => partsOf(upper.tree).every((part) => follows(part, partsOf(rung.tree))));
    return above ? [{ id: rung.id, by: above.id }] : [];
  });
}
