'use client';
/** Whether the page is as narrow as a phone, where one thing is shown at a time. */
import { useSyncExternalStore } from 'react';

export function useIsNarrow(): boolean {
  const query = '(max-width: 800px)';
  return useSyncExternalStore(
    (hear) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', hear);
      return () => media.removeEventListener('change', hear);
    },
    () => window.matchMedia(query).matches,
    () => false,
  );
}
