/** The language of segments: a tree of all-of, any-of and none-of over typed conditions. It is stored, sent by link and validated as JSON. */
import type { Hours } from '../shared';
import type { SubjectKind } from './subjects';

export const UNITS = ['minutes', 'hours', 'days', 'weeks', 'months', 'years'] as const;
/** A unit of time in a condition. */
export type TimeUnit = (typeof UNITS)[number];

/** One condition of a segment: a subject and what is asked of it. */
export type Condition = { on: string } & (
  | { how: 'any' | 'none' | 'all'; of: string[] }
  | { how: 'known' | 'unknown' }
  | { how: 'between'; from?: number | null; to?: number | null }
  /** In the last n units; not in them (also never); longer ago than n units; in the n units to come. */
  | { how: 'within' | 'not_within' | 'longer_ago' | 'coming'; n: number; unit: TimeUnit }
  /** From the first to the last of these local days, `YYYY-MM-DD`, both included. */
  | { how: 'on_days'; from?: string | null; to?: string | null }
  | { how: 'yes' | 'no' }
  | { how: 'contains' | 'begins' | 'is'; text: string }
  /** On these days of the week (1 is Monday), between two clock times of the account. */
  | ({ how: 'at' } & Hours)
  /** Within a ring drawn on the map, as longitude and latitude; `name` is what whoever drew it calls it. */
  | { how: 'inside' | 'outside'; ring: number[][]; name: string }
);
/** A segment's question: conditions, joined by all, any and none. */
export type Tree = { all: Tree[] } | { any: Tree[] } | { none: Tree[] } | Condition;
/** How a condition compares. */
export type How = Condition['how'];

/** The questions that each kind of subject can be asked. */
export const HOWS: Record<SubjectKind, readonly How[]> = {
  one: ['any', 'none', 'known', 'unknown'],
  many: ['any', 'all', 'none', 'known', 'unknown'],
  number: ['between', 'known', 'unknown'],
  time: ['within', 'not_within', 'longer_ago', 'coming', 'on_days', 'known', 'unknown'],
  yearly: ['coming', 'known', 'unknown'],
  flag: ['yes', 'no'],
  text: ['contains', 'begins', 'is', 'known', 'unknown'],
  hours: ['at'],
  point: ['inside', 'outside', 'known', 'unknown'],
};

export const isCondition = (tree: Tree): tree is Condition => 'on' in tree;
export const EVERYBODY: Tree = { all: [] };
export const branchesOf = (tree: Exclude<Tree, Condition>): { how: 'all' | 'any' | 'none'; trees: Tree[] } =>
  'all' in tree
    ? { how: 'all', trees: tree.all }
    : 'any' in tree
      ? { how: 'any', trees: tree.any }
      : { how: 'none', trees: tree.none };

/** Every condition of a tree, in reading order. */
export function conditionsOf(tree: Tree): Condition[] {
  return isCondition(tree) ? [tree] : branchesOf(tree).trees.flatMap(conditionsOf);
}

/** The same tree with each condition put through `change`. */
export function mapConditions(tree: Tree, change: (condition: Condition) => Tree): Tree {
  if (isCondition(tree)) return change(tree);
  const { how, trees } = branchesOf(tree);
  return { [how]: trees.map((one) => mapConditions(one, change)) } as unknown as Tree;
}

/** `me` as an agent becomes whoever looks; a key that is nobody's finds nothing. */
export const seenBy = (tree: Tree, userId: string | null): Tree =>
  mapConditions(tree, (condition) =>
    condition.on === 'owner' && 'of' in condition && condition.of.includes('me')
      ? { ...condition, of: condition.of.map((id) => (id === 'me' ? (userId ?? '0') : id)) }
      : condition,
  );

const HOURS: Record<TimeUnit, number> = { minutes: 1 / 60, hours: 1, days: 24, weeks: 168, months: 720, years: 8_760 };
/** Milliseconds; a month is 30 days and a year 365. */
export const spanMs = (n: number, unit: TimeUnit): number => Math.round(n * HOURS[unit] * 3_600_000);
const DAYS: Record<TimeUnit, number> = { minutes: 0, hours: 0, days: 1, weeks: 7, months: 30, years: 365 };
export const spanDays = (n: number, unit: TimeUnit): number => Math.min(366, Math.floor(n * DAYS[unit]));

/** The tree with another name for a lead source, wherever it asks for it. */
export const withSource = (tree: Tree, from: string, to: string): Tree =>
  mapConditions(tree, (condition) =>
    (condition.on === 'source' || condition.on === 'lead_source') && 'of' in condition
      ? { ...condition, of: [...new Set(condition.of.map((name) => (name.toLowerCase() === from.toLowerCase() ? to : name)))] }
      : condition,
  );
