'use client';
/** What the list is asked for, as it stands in the address: search, segment, a sentence of its own, a number of Results. The back button goes back in it. */
import { useMemo } from 'react';
import { useSearchParams } from 'next/navigation';
import { EVERYBODY, whole, type Tree } from '@/core/segments';
import type { Segment } from '../segments';

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

function treeOf(text: string | null): Tree | null {
  if (!text) return null;
  try {
    return JSON.parse(text) as Tree;
  } catch {
    return null;
  }
}

export function useAsked(): ContactQuestion {
  const params = useSearchParams();
  const where = params.get('where');
  const stage = params.get('stage');
  return useMemo(
    () => ({
      q: params.get('q') ?? '',
      segmentId: params.get('segment'),
      where: treeOf(where) ?? (stage ? { all: [{ on: 'stage', how: 'any', of: [stage] }] } : null),
      measure: params.get('measure'),
      agent: params.get('agent'),
      by: Object.fromEntries(
        (['door', 'roster', 'hour'] as const).flatMap((name) => (params.get(name) ? [[name, params.get(name)!]] : [])),
      ),
      days: params.get('days') ?? '30',
    }),
    [params, where, stage],
  );
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

/** The sentence that is shown: the one being written, or the kept segment's. */
export const treeShown = (query: ContactQuestion, segments: Segment[]): Tree =>
  query.where ?? segments.find(({ id }) => id === query.segmentId)?.tree ?? EVERYBODY;
