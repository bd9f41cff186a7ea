'use client';
/** Keyboard: single keys as shortcuts, silent while somebody types or a dialog is open. */
import { useEffect, useRef } from 'react';

export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable);

/** A key pressed so soon after one that was typed into a field belongs to the same words, wherever the focus went meanwhile. */
const SAME_WORDS_MS = 1_500;
let typedAt = -Infinity;
/** Whether a key goes on with words that were being typed when their field lost the focus without anybody's doing. */
function goesOnTyping(event: KeyboardEvent): boolean {
  const left = /^(?:Escape|Enter|Tab)$/.test(event.key);
  if (isTyping(event.target)) typedAt = left ? -Infinity : event.timeStamp;
  else if (left) typedAt = -Infinity;
  else if (event.timeStamp - typedAt < SAME_WORDS_MS) typedAt = event.timeStamp;
  else return false;
  return !left;
}
if (typeof window !== 'undefined') {
  window.addEventListener('keydown', (event) => Object.assign(event, { typing: goesOnTyping(event) }), true);
  window.addEventListener('pointerdown', () => (typedAt = -Infinity), true);
}

/**
 * @param urgent heard before all others: what is under way (a call) comes before the list behind it
 * @param keys what each key does; names as in KeyboardEvent.key, `shift+M` for the one with shift
 */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>, enabled = true, urgent = false): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    if (!enabled) return;
    const hear = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if ((event as { typing?: boolean }).typing) return;
      if (document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]')) return;
      const act = latest.current[event.shiftKey && /^[A-Z]$/.test(event.key) ? `shift+${event.key}` : event.key];
      if (!act) return;
      event.preventDefault();
      act(event);
    };
    window.addEventListener('keydown', hear, urgent);
    return () => window.removeEventListener('keydown', hear, urgent);
  }, [enabled, urgent]);
}
