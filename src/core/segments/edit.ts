/** Changing a segment piece by piece, as the sentence editor does. Paths are indexes from the root; nothing is changed in place. */
import { branchesOf, HOWS, isCondition, type Condition, type Tree } from './tree';
import type { Subject } from './subjects';

const groupOf = (how: 'all' | 'any' | 'none', trees: Tree[]): Tree => ({ [how]: trees }) as unknown as Tree;
/** A tree whose root is an all-of, so that conditions can be added beside each other. */
export const asSentence = (tree: Tree): { all: Tree[] } => ('all' in tree ? tree : { all: [tree] });

/** What stands at a path; null when nothing does. */
export function at(tree: Tree, path: readonly number[]): Tree | null {
  const [first, ...rest] = path;
  if (first === undefined) return tree;
  if (isCondition(tree)) return null;
  const next = branchesOf(tree).trees[first];
  return next ? at(next, rest) : null;
}

/** The tree with what stands at a path replaced; null takes it out, and groups that become empty go with it. */
export function replaceAt(tree: Tree, path: readonly number[], by: Tree | null): Tree | null {
  const [first, ...rest] = path;
  if (first === undefined) return by;
  if (isCondition(tree)) return tree;
  const { how, trees } = branchesOf(tree);
  const changed = trees.flatMap((one, n) => (n === first ? (replaceAt(one, rest, by) ?? []) : [one]));
  return changed.length || !path.length ? groupOf(how, changed) : null;
}

/** One more condition beside the one at a path: an alternative to it (`any`), or another that must hold too (`all`). */
export function besides(tree: Tree, path: readonly number[], how: 'all' | 'any', more: Tree): Tree {
  const here = at(tree, path) ?? { all: [] };
  const parent = path.length ? at(tree, path.slice(0, -1)) : null;
  if (parent && !isCondition(parent) && branchesOf(parent).how === how) {
    const { trees } = branchesOf(parent);
    return (
      replaceAt(
        tree,
        path.slice(0, -1),
        groupOf(how, [...trees.slice(0, path.at(-1)! + 1), more, ...trees.slice(path.at(-1)! + 1)]),
      ) ?? asSentence(more)
    );
  }
  return replaceAt(tree, path, groupOf(how, [here, more])) ?? asSentence(more);
}

/** The opposite at a path: a group of none-of, or what stood in one. */
export function negated(tree: Tree, path: readonly number[]): Tree {
  const here = at(tree, path);
  if (!here) return tree;
  const opposite =
    !isCondition(here) && branchesOf(here).how === 'none'
      ? groupOf('any', branchesOf(here).trees)
      : groupOf('none', !isCondition(here) && branchesOf(here).how === 'any' ? branchesOf(here).trees : [here]);
  return replaceAt(tree, path, opposite) ?? tree;
}

/** The question with which a subject enters the sentence, before anybody has said more. */
export function firstQuestion(subject: Subject): Condition {
  const on = subject.key;
  switch (subject.kind) {
    case 'one':
    case 'many':
      return { on, how: 'any', of: [] };
    case 'number':
      return { on, how: 'between', from: 1, to: null };
    case 'time':
      return subject.key === 'next_touch'
        ? { on, how: 'coming', n: 7, unit: 'days' }
        : { on, how: 'not_within', n: 30, unit: 'days' };
    case 'yearly':
      return { on, how: 'coming', n: 14, unit: 'days' };
    case 'flag':
      return { on, how: 'yes' };
    case 'text':
      return { on, how: 'contains', text: '' };
    case 'hours':
      return { on, how: 'at', days: [1, 2, 3, 4, 5], from: '09:00', to: '18:00' };
    case 'point':
      return { on, how: 'inside', ring: [], name: '' };
  }
}

type Loose = Partial<{
  of: string[];
  text: string;
  from: unknown;
  to: unknown;
  ring: number[][];
  name: string;
  n: number;
  unit: 'days';
}>;
const plain = (): object => ({});
const several = ({ of = [] }: Loose): object => ({ of });
const worded = ({ text = '' }: Loose): object => ({ text });
const drawn = ({ ring = [], name = '' }: Loose): object => ({ ring, name });
const spanned = ({ n = 30, unit = 'days' }: Loose): object => ({ n, unit });
const dayOr = (value: unknown): string | null => (typeof value === 'string' ? value : null);
/** What of the answer is kept when a condition is asked in each way. */
const KEPT: Partial<Record<Condition['how'], (before: Loose) => object>> = {
  known: plain,
  unknown: plain,
  yes: plain,
  no: plain,
  any: several,
  all: several,
  none: several,
  contains: worded,
  begins: worded,
  is: worded,
  between: ({ from, to }) => ({ from: typeof from === 'number' ? from : 1, to: typeof to === 'number' ? to : null }),
  inside: drawn,
  outside: drawn,
  on_days: ({ from, to }) => ({ from: dayOr(from), to: dayOr(to) }),
};

/** The same subject asked in another way, with what can be kept of the answer. */
export function asked(condition: Condition, how: Condition['how'], subject: Subject): Condition {
  if (!HOWS[subject.kind].includes(how) || how === 'at') return condition;
  return { on: condition.on, how, ...(KEPT[how] ?? spanned)(condition as Loose) } as Condition;
}

/** Has everything been said that the question needs? A choice of nothing or a text of nothing has not. */
export const isWhole = (tree: Tree): boolean =>
  isCondition(tree)
    ? !('of' in tree && tree.of.length === 0) &&
      !('text' in tree && !tree.text.trim()) &&
      !('ring' in tree && tree.ring.length < 3) &&
      !(tree.how === 'at' && tree.days.length === 0)
    : branchesOf(tree).trees.every(isWhole);

/** The tree without what is still being said. */
export function whole(tree: Tree): Tree | null {
  if (isCondition(tree)) return isWhole(tree) ? tree : null;
  const { how, trees } = branchesOf(tree);
  const remaining = trees.map(whole).filter((one) => one !== null);
  return remaining.length || !trees.length ? groupOf(how, remaining) : null;
}
