'use client';
/** A half-written text that survives a reload, kept in this browser until it is sent. */
import { useCallback, useSyncExternalStore } from 'react';

const hearers = new Set<() => void>();
const subscribe = (hear: () => void) => {
  hearers.add(hear);
  return () => hearers.delete(hear);
};

export function useDraft(key: string): [string, (text: string) => void, () => void] {
  const name = `urraca_draft_${key}`;
  const text = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(name) ?? '',
    () => '',
  );
  const write = useCallback(
    (next: string) => {
      if (next) localStorage.setItem(name, next);
      else localStorage.removeItem(name);
      hearers.forEach((hear) => hear());
    },
    [name],
  );
  const clear = useCallback(() => write(''), [write]);
  return [text, write, clear];
}
