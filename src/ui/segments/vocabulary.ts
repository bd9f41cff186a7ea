/** Segments and tags of the account, as the page knows them. */
import { useQuery } from '@tanstack/react-query';
import type { SegmentView } from '@/core/segments';
import type { TagView } from '@/core/tags';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';

export type Segment = Jsoned<SegmentView>;
export const useSegments = () => useQuery({ queryKey: ['segments'], queryFn: async () => (await ask('GET /segments')).items });

export type Tag = Jsoned<TagView>;
export const useTags = () =>
  useQuery({ queryKey: ['tags'], queryFn: async () => (await ask('GET /tags')).items, staleTime: 60_000 });
