/** What the list is asked for, as it stands in an address; read by pages and by the server that brings the first rows along. */
import { EVERYBODY, whole, type Tree } from '@/core/segments';

export interface ContactQuestion {
  q: string;
  segmentId: string | null;
  /** The sentence that differs from the kept segment, or stands alone. */
  where: Tree | null;
  measure: string | null;
  agent: string | null;
  /** The door, roster or hour of the week of a number of speed to lead. */
  by: Partial<Record<'door' | 'roster' | 'hour', string>>;
  days: string;
}
/** So many rows come at once. */
export const PAGE_ROWS = 50;

function treeOf(text: string | null): Tree | null {
  if (!text) return null;
  try {
    return JSON.parse(text) as Tree;
  } catch {
    return null;
  }
}

export function askedOf(params: Pick<URLSearchParams, 'get'>): ContactQuestion {
  const stage = params.get('stage');
  return {
    q: params.get('q') ?? '',
    segmentId: params.get('segment'),
    where: treeOf(params.get('where')) ?? (stage ? { all: [{ on: 'stage', how: 'any', of: [stage] }] } : null),
    measure: params.get('measure'),
    agent: params.get('agent'),
    by: Object.fromEntries(
      (['door', 'roster', 'hour'] as const).flatMap((name) => (params.get(name) ? [[name, params.get(name)!]] : [])),
    ),
    days: params.get('days') ?? '30',
  };
}

/** What the API is asked. A sentence stands for its segment while it differs from it; what is still being said is left out. */
export function questionOf(query: ContactQuestion): Record<string, string> {
  const tree = query.where && whole(query.where);
  return {
    ...(query.q ? { q: query.q } : {}),
    ...(query.where
      ? tree && JSON.stringify(tree) !== JSON.stringify(EVERYBODY)
        ? { where: JSON.stringify(tree) }
        : {}
      : query.segmentId
        ? { segment: query.segmentId }
        : {}),
    ...(query.measure
      ? { measure: query.measure, days: query.days, ...query.by, ...(query.agent ? { agent: query.agent } : {}) }
      : {}),
  };
}

/** The same with its order. */
export const orderedQuestion = (question: Record<string, string>, sort: string, descending: boolean): Record<string, string> => ({
  ...question,
  sort,
  order: descending ? 'desc' : 'asc',
});

/** Under what its pages are kept. */
export const keyOfList = (ordered: Record<string, string>): string[] => ['contacts', new URLSearchParams(ordered).toString()];
/** The first page of a list. */
export const FIRST_PAGE = { before: 0, marks: [''] };
/** How the list is ordered for whoever never ordered it. */
export const FIRST_ORDER = { sort: 'created', descending: true };
