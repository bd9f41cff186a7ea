'use client';
/** What is half-written survives a reload, kept in this browser until it is sent. */
import { useCallback, useSyncExternalStore } from 'react';

const hearers = new Set<() => void>();
const subscribe = (hear: () => void) => {
  hearers.add(hear);
  return () => hearers.delete(hear);
};
const nameOf = (key: string): string => `urraca_draft_${key}`;

export const readDraft = (key: string): string =>
  typeof localStorage === 'undefined' ? '' : (localStorage.getItem(nameOf(key)) ?? '');
/** @param text empty forgets it */
export function writeDraft(key: string, text: string): void {
  if (text) localStorage.setItem(nameOf(key), text);
  else localStorage.removeItem(nameOf(key));
  hearers.forEach((hear) => hear());
}

export function useDraft(key: string): [string, (text: string) => void, () => void] {
  const text = useSyncExternalStore(
    subscribe,
    () => readDraft(key),
    () => '',
  );
  const write = useCallback((next: string) => writeDraft(key, next), [key]);
  const clear = useCallback(() => write(''), [write]);
  return [text, write, clear];
}
