'use client';
/** What is half-written survives a reload, kept in this browser until it is sent, for whoever wrote it. */
import { useCallback, useSyncExternalStore } from 'react';

const hearers = new Set<() => void>();
const subscribe = (hear: () => void) => {
  hearers.add(hear);
  return () => hearers.delete(hear);
};
const unkept = new Map<string, string>();
let writer = '';
/** Whose drafts are read and written from now on: an office shares its computers. @returns whose */
export const draftsOf = (personId: string): string => (typeof localStorage === 'undefined' ? '' : (writer = personId));
const nameOf = (key: string): string => `urraca_draft_${writer}_${key}`;

/** What the drafts to and about a contact are called. */
export const DRAFTS = {
  message: (channel: string, contactId: string): string => `${channel}_${contactId}`,
  note: (contactId: string): string => `note_${contactId}`,
};

export const readDraft = (key: string): string =>
  typeof localStorage === 'undefined' ? '' : (unkept.get(nameOf(key)) ?? localStorage.getItem(nameOf(key)) ?? '');
/** @param text empty forgets it */
export function writeDraft(key: string, text: string): void {
  try {
    if (text) localStorage.setItem(nameOf(key), text);
    else localStorage.removeItem(nameOf(key));
    unkept.delete(nameOf(key));
  } catch {
    /* A browser that is full keeps nothing more; what is typed stands nevertheless, for as long as the page does. */
    unkept.set(nameOf(key), text);
  }
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
