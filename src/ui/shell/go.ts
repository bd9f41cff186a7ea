'use client';
/** `g` and then a letter: to an area. Heard before the single keys, so that `g t` does not also write a text. The document says when keys are heard (data-keys). */
import { useEffect, useRef } from 'react';
import { isTyping } from '../primitives';

const WITHIN_MS = 1_200;

export function useGo(paths: Record<string, string>, go: (path: string) => void): void {
  const pressed = useRef(0);
  const latest = useRef({ paths, go });
  useEffect(() => {
    latest.current = { paths, go };
  });
  useEffect(() => {
    const hear = (event: KeyboardEvent) => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        isTyping(event.target) ||
        document.querySelector('[role="dialog"], [role="menu"]')
      )
        return;
      if (event.key === 'g') {
        pressed.current = performance.now();
        return;
      }
      const path = latest.current.paths[event.key];
      if (!pressed.current || performance.now() - pressed.current > WITHIN_MS || !path) return;
      pressed.current = 0;
      event.preventDefault();
      event.stopImmediatePropagation();
      latest.current.go(path);
    };
    window.addEventListener('keydown', hear, { capture: true });
    document.documentElement.dataset.keys = 'heard';
    return () => window.removeEventListener('keydown', hear, { capture: true });
  }, []);
}
