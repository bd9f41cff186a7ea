/** The names of areas and kinds on the market. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';

interface Names {
  areas: { name: string; town: string | null; n: number }[];
  kinds: { name: string; n: number }[];
}
export const useMarketNames = () => useQuery({ queryKey: ['market'], queryFn: () => ask<Names>('/market'), staleTime: 60_000 });
