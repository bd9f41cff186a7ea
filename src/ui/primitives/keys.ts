'use client';
/** Keyboard: single keys as shortcuts, silent while somebody types or a dialog is open. */
import { useEffect, useRef } from 'react';

export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable);

/** @param keys what each key does; names as in KeyboardEvent.key, `shift+M` for the one with shift */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>, enabled = true): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    if (!enabled) return;
    const hear = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]')) return;
      const act = latest.current[event.shiftKey && /^[A-Z]$/.test(event.key) ? `shift+${event.key}` : event.key];
      if (!act) return;
      event.preventDefault();
      act(event);
    };
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, [enabled]);
}
