'use client';
/** What a person set for themselves, on every device: read once a page, shown at once when it changes, kept on the server a moment later. */
import { useCallback } from 'react';
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { SpeedBy } from '@/core/results';
import { ask } from './api';

const KEY = ['preferences'];
/** What each page remembers of how it was left. */
interface ViewMemory {
  dossier_tab: 'timeline' | 'details' | 'campaigns';
  timeline_group: 'all' | 'calls' | 'messages' | 'notes' | 'changes';
  inbox_unread: boolean;
  /** The groups of Today that are folded. */
  today_folded: string[];
  /** How many days Results look back, and by what its speed is told. */
  results_days: number;
  results_by: SpeedBy;
}
/** Which alerts of leads a person wants beside the one on the page. */
export interface AlertChoice {
  sound: boolean;
  browser: boolean;
}
interface Preferences {
  contacts_grid?: object;
  view?: Partial<ViewMemory>;
  lead_alerts?: AlertChoice;
}

export const usePreferences = () =>
  useQuery<Preferences>({ queryKey: KEY, queryFn: () => ask('GET /preferences'), staleTime: Infinity });

/** Shows a choice at once and keeps it. */
export function putPreference<Key extends keyof Preferences>(
  queries: QueryClient,
  key: Key,
  value: NonNullable<Preferences[Key]>,
): void {
  queries.setQueryData<Preferences>(KEY, (before) => ({ ...before, [key]: value }));
  void ask('PUT /preferences', { body: { [key]: value } }).catch(() => {});
}

/** How something was left the last time, and how to leave it. @param first what it is for whoever never touched it */
export function useRemembered<Key extends keyof ViewMemory>(
  key: Key,
  first: ViewMemory[Key],
): [ViewMemory[Key], (value: ViewMemory[Key]) => void] {
  const queries = useQueryClient();
  const { data } = usePreferences();
  const set = useCallback(
    (value: ViewMemory[Key]) => {
      const before = queries.getQueryData<Preferences>(KEY)?.view;
      putPreference(queries, 'view', { ...before, [key]: value });
    },
    [queries, key],
  );
  return [data?.view?.[key] ?? first, set];
}
