/** Broadcasts as pages know them. */
import { useQuery } from '@tanstack/react-query';
import type { BroadcastView } from '@/core/messages';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';

export type Broadcast = Omit<Jsoned<BroadcastView>, 'words' | 'selection' | 'goes' | 'left_out'> &
  Pick<BroadcastView, 'words' | 'selection' | 'goes' | 'left_out'>;

/** While something goes out, what became of it is read again and again. */
export const useBroadcasts = (first: Broadcast[]) =>
  useQuery({
    queryKey: ['broadcasts'],
    queryFn: async () => (await ask('GET /broadcasts')).items,
    initialData: first,
    refetchInterval: ({ state }) => (state.data?.some(({ state: one }) => one === 'going' || one === 'filling') ? 3_000 : false),
  });
export const useBroadcast = (first: Broadcast) =>
  useQuery({
    queryKey: ['broadcasts', first.id],
    queryFn: () => ask('GET /broadcasts/{id}', { params: { id: first.id } }),
    initialData: first,
    refetchInterval: ({ state }) => (state.data?.state === 'going' || state.data?.state === 'filling' ? 2_000 : false),
  });
