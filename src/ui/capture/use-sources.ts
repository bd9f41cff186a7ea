'use client';
/** The lead sources and what is done to them; each change can be undone where it moves anything. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { SourceView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useFormat } from '../primitives';
import { useToast } from '../kit';

export type Source = Jsoned<SourceView>;

/** Reads again whatever names a source. */
export function useAfterSources(): () => void {
  const queries = useQueryClient();
  return () => {
    for (const key of ['sources', 'doors', 'inquiries', 'contacts', 'vocabulary', 'ladder'])
      void queries.invalidateQueries({ queryKey: [key] });
  };
}

export function useSources() {
  const format = useFormat();
  const toast = useToast();
  const after = useAfterSources();
  const list = useQuery({
    queryKey: ['sources'],
    queryFn: async () => (await ask('GET /sources')).items,
    refetchInterval: 30_000,
  });
  const keep = useMutation({
    mutationFn: (id: string) => ask('PATCH /sources/{id}', { params: { id }, body: {} }),
    onSuccess: after,
    onError: toast.fail,
  });
  const dismiss = useMutation({
    mutationFn: ({ id }: Source) => ask('POST /sources/{id}/dismiss', { params: { id } }),
    onSuccess: (_, source) => {
      after();
      toast.tell(`“${source.name}” is off the list. Leads that name it count for their door.`, () => keep.mutate(source.id));
    },
    onError: toast.fail,
  });
  const split = useMutation({
    mutationFn: (mergeId: string) => ask('POST /source-merges/{id}/undo', { params: { id: mergeId }, headers: freshKey() }),
    onSuccess: () => {
      after();
      toast.tell('Separated. Leads that came in meanwhile stay where they are.');
    },
    onError: toast.fail,
  });
  const merge = useMutation({
    mutationFn: ({ id, into }: { id: string; into: string }) =>
      ask('POST /sources/{id}/merge', { params: { id }, body: { into_id: into }, headers: freshKey() }),
    onSuccess: (made) => {
      after();
      toast.tell(`One source now; ${format.count(made.people, 'person', 'people')} moved.`, () => split.mutate(made.id));
    },
  });
  return { sources: list.data, keep, dismiss, merge, split };
}

/** Copies a rung for other sources; the toast takes it back. */
export function useCopyRung() {
  const toast = useToast();
  const after = useAfterSources();
  const restore = useMutation({
    mutationFn: (version: string) => ask('POST /ladder/restore', { body: { version } }),
    onSuccess: () => {
      after();
      toast.tell('The ladder is as it was.');
    },
    onError: toast.fail,
  });
  return useMutation({
    mutationFn: ({ rungId, sourceIds }: { rungId: string; sourceIds: string[] }) =>
      ask('POST /rungs/{id}/copies', { params: { id: rungId }, body: { source_ids: sourceIds }, headers: freshKey() }),
    onSuccess: ({ before }, { sourceIds }) => {
      after();
      toast.tell(sourceIds.length === 1 ? 'Copied as a new rung.' : `Copied as ${sourceIds.length} new rungs.`, () =>
        restore.mutate(before),
      );
    },
  });
}
