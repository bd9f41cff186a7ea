/** The names of areas and kinds on the market. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';
export const useMarketNames = () => useQuery({ queryKey: ['market'], queryFn: () => ask('GET /market'), staleTime: 60_000 });
