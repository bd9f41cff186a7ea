/** The names that segments speak of, and the account's own fields, as the page knows them. */
import { useQuery } from '@tanstack/react-query';
import type { NameOf, SegmentView, VocabularyView } from '@/core/segments';
import type { TagView } from '@/core/tags';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';

export const NO_WORDS: VocabularyView = { names: {}, fields: [] };
export const useVocabulary = () =>
  useQuery({ queryKey: ['vocabulary'], queryFn: () => ask<VocabularyView>('/vocabulary'), staleTime: 60_000 });

export const nameIn =
  ({ names }: VocabularyView): NameOf =>
  (of, value) =>
    names[of]?.find((one) => one.value === value)?.name ?? null;

export type Segment = Jsoned<SegmentView>;
export const useSegments = () =>
  useQuery({ queryKey: ['segments'], queryFn: async () => (await ask<{ items: Segment[] }>('/segments')).items });

export type Tag = Jsoned<TagView>;
export const useTags = () =>
  useQuery({ queryKey: ['tags'], queryFn: async () => (await ask<{ items: Tag[] }>('/tags')).items, staleTime: 60_000 });
