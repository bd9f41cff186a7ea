'use client';
/** What may be merged into words: the fields that everybody has, and the account's own. */
import { useQuery } from '@tanstack/react-query';
import { shinglesOf, type Other, type TemplateView } from '@/core/messages';
import type { Jsoned } from '@/core/shared';
import { ask, NO_WORDS, useVocabulary } from '../primitives';

export type Template = Jsoned<TemplateView>;

/** The names of the account's own fields. */
export function useOwnFields(): string[] {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  return vocabulary.fields.map(({ name }) => name);
}

export const useTemplates = (first?: Template[]) =>
  useQuery({
    queryKey: ['templates'],
    queryFn: async () => (await ask('GET /templates')).items,
    staleTime: 30_000,
    ...(first ? { initialData: first } : {}),
  });

const shingles = new Map<string, Other>();
/** The other templates of a channel, ready to be compared with. */
export const othersOf = (templates: readonly Template[], channel: string, except: string | null): Other[] =>
  templates
    .filter((one) => one.channel === channel && one.id !== except)
    .map(({ id, name, words, version }) => {
      const key = `${id} ${version} ${name}`;
      const known = shingles.get(key) ?? { id, name, shingles: shinglesOf(words.text) };
      shingles.set(key, known);
      return known;
    });

/** What the fields say of a person. */
export const useMergeFields = (contactId: string | null) =>
  useQuery({
    queryKey: ['contact', contactId, 'merge-fields'],
    queryFn: () => ask('GET /contacts/{id}/merge-fields', { params: { id: contactId! } }),
    enabled: contactId !== null,
    placeholderData: (before) => before,
  });
