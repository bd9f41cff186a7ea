/** Campaigns as pages know them. */
import { useQuery } from '@tanstack/react-query';
import type { CampaignView } from '@/core/campaigns';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';

export type Campaign = Omit<Jsoned<CampaignView>, 'plan'> & Pick<CampaignView, 'plan'>;

export const useCampaigns = (first?: Campaign[]) =>
  useQuery({
    queryKey: ['campaigns'],
    queryFn: async () => (await ask('GET /campaigns')).items,
    ...(first ? { initialData: first } : {}),
  });
export const useStarters = () =>
  useQuery({
    queryKey: ['starters'],
    queryFn: async () => (await ask('GET /starters')).items,
    staleTime: Infinity,
  });

export const STATE_WORDS: Record<Campaign['state'], string> = {
  draft: 'Draft',
  on: 'On',
  held: 'Paused',
  off: 'Off',
};
