'use client';
/** Whether calls are placed from here; where they are not, phone numbers are for the phone in one's hand. */
import { useQuery } from '@tanstack/react-query';
import { ask } from './api';

export const useCalling = (): boolean =>
  useQuery({ queryKey: ['wire'], queryFn: () => ask('GET /wire'), staleTime: Infinity }).data?.calling ?? true;
