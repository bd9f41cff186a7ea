'use client';
/** The question of the list as it stands in the address of the page. The back button goes back in it. */
import { useMemo } from 'react';
import { useSearchParams } from 'next/navigation';
import { EVERYBODY, type Tree } from '@/core/segments';
import type { Segment } from '../segments';
import { askedOf, type ContactQuestion } from './asked';

export function useAsked(): ContactQuestion {
  const params = useSearchParams();
  return useMemo(() => askedOf(params), [params]);
}

/** The sentence that is shown: the one being written, or the kept segment's. */
export const treeShown = (query: ContactQuestion, segments: Segment[]): Tree =>
  query.where ?? segments.find(({ id }) => id === query.segmentId)?.tree ?? EVERYBODY;
