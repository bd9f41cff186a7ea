'use client';
/** What is being changed before it is kept, with every step back and forward again. */
import { useState } from 'react';

const MOST = 60;

export function useUndoHistory<T>(first: T) {
  const [draft, setDraft] = useState(first);
  const [past, setPast] = useState<T[]>([]);
  const [ahead, setAhead] = useState<T[]>([]);
  const change = (next: T) => {
    setPast([...past.slice(-MOST), draft]);
    setAhead([]);
    setDraft(next);
  };
  const back = () => {
    const before = past.at(-1);
    if (before === undefined) return;
    setPast(past.slice(0, -1));
    setAhead([draft, ...ahead]);
    setDraft(before);
  };
  const forward = () => {
    const [next, ...rest] = ahead;
    if (next === undefined) return;
    setAhead(rest);
    setPast([...past, draft]);
    setDraft(next);
  };
  /** Ctrl+Z and Ctrl+Shift+Z, where nobody types. */
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    if ((event.target as HTMLElement).matches('input, textarea')) return;
    event.preventDefault();
    if (event.shiftKey) forward();
    else back();
  };
  return { draft, change, put: setDraft, back, forward, mayBack: past.length > 0, mayForward: ahead.length > 0, onKeyDown };
}
