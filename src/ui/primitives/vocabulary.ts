/** The names that an account gives to things (stages, horizons, tags, people, fields), as the page knows them. */
import { useQuery } from '@tanstack/react-query';
import type { NameOf, VocabularyView, Word } from '@/core/segments';
import { ask } from './api';

export const NO_WORDS: VocabularyView = { names: {}, fields: [] };
export const useVocabulary = () =>
  useQuery({ queryKey: ['vocabulary'], queryFn: () => ask('GET /vocabulary'), staleTime: 60_000 });

export const nameIn =
  ({ names }: VocabularyView): NameOf =>
  (of, value) =>
    names[of]?.find((one) => one.value === value)?.name ?? null;

/** A horizon of the account, with its name, rhythm and strokes; null for none, or until the words are here. */
export function useHorizon(key: string | null): Word | null {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  return (key && vocabulary.names.horizon?.find(({ value }) => value === key)) || null;
}
