/** Which rungs a lead of one source may come to, when nothing else is known of it; and a rung made over for other sources. */
import { branchesOf, isCondition, mapConditions, testOf, type Condition, type Tree } from '../segments';
import { partsOf } from './ladder';

/** What a tree says of a lead of which only its source is known: that it fits, that it doesn't, or that it depends. */
type Verdict = 'yes' | 'no' | 'depends';

/**
 * @param source its name
 * @param doors those by which its leads come, as far as they are known
 */
export function verdictFor(tree: Tree, source: string, doors: readonly string[]): Verdict {
  if (isCondition(tree)) return verdictOn(tree, source, doors);
  const { how, trees } = branchesOf(tree);
  const verdicts = trees.map((one) => verdictFor(one, source, doors));
  const any = verdicts.includes('yes') ? 'yes' : verdicts.includes('depends') ? 'depends' : 'no';
  if (how === 'any') return any;
  if (how === 'none') return ({ yes: 'no', no: 'yes', depends: 'depends' } as const)[any];
  return verdicts.includes('no') ? 'no' : verdicts.includes('depends') ? 'depends' : 'yes';
}

function verdictOn(condition: Condition, source: string, doors: readonly string[]): Verdict {
  if (condition.on === 'lead_source') return testOf(condition, 'UTC')(() => source, new Date(0)) ? 'yes' : 'no';
  if (condition.on !== 'lead_door' || doors.length === 0) return 'depends';
  const each = new Set(doors.map((door) => testOf(condition, 'UTC')(() => door, new Date(0))));
  return each.size > 1 ? 'depends' : each.has(true) ? 'yes' : 'no';
}

/**
 * The rungs that a lead of a source may come to, from the top; the last of them takes all that the others leave, if there is one that does.
 * @param rungs from the top
 */
export function rungsForSource<R extends { tree: Tree }>(
  rungs: readonly R[],
  source: string,
  doors: readonly string[],
): { rung: R; always: boolean }[] {
  const may: { rung: R; always: boolean }[] = [];
  for (const rung of rungs) {
    const verdict = verdictFor(rung.tree, source, doors);
    if (verdict === 'no') continue;
    may.push({ rung, always: verdict === 'yes' });
    if (verdict === 'yes') break;
  }
  return may;
}

/** Who a rung is for, made over: the same, of another source. */
export function treeForSource(tree: Tree, source: string): Tree {
  const asks: Tree = { on: 'lead_source', how: 'any', of: [source] };
  const rest = partsOf(tree).filter((part) => !(isCondition(part) && part.on === 'lead_source'));
  const others = rest.map((part) =>
    mapConditions(part, (one) => (one.on === 'lead_source' && 'of' in one ? { ...one, of: [source] } : one)),
  );
  return { all: [asks, ...others] };
}
