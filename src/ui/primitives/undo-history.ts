'use client';
/** What is being changed before it is saved, with every step back and forward again. Half-done it survives a reload, kept in this browser until it is saved. */
import { useMemo, useState } from 'react';
import { useDraft } from './draft';

const MOST = 60;

interface Unsaved<T> {
  /** What was being changed. Once that is another, by somebody else, the change of it is no longer shown. */
  from: string;
  draft: T;
}
export interface UndoHistory<T> {
  draft: T;
  change: (next: T) => void;
  /** It was saved, as this. */
  saved: (as: T) => void;
  back: () => void;
  forward: () => void;
  mayBack: boolean;
  mayForward: boolean;
  /** What is shown was written before the page was opened, and not saved. */
  isRestored: boolean;
  discard: () => void;
  /** Ctrl+Z and Ctrl+Shift+Z, where nobody types. */
  onKeyDown: (event: React.KeyboardEvent) => void;
}

/** @param name under which it is kept: what it is and its id. @param first as it was saved last */
export function useUndoHistory<T>(name: string, first: T): UndoHistory<T> {
  const [base, setBase] = useState(first);
  const [past, setPast] = useState<T[]>([]);
  const [ahead, setAhead] = useState<T[]>([]);
  const [kept, write, clear] = useDraft(`edit_${name}`);
  const from = useMemo(() => JSON.stringify(base), [base]);
  const draft = useMemo(() => {
    const unsaved = kept ? (JSON.parse(kept) as Unsaved<T>) : null;
    return unsaved?.from === from ? unsaved.draft : base;
  }, [kept, from, base]);
  const keep = (next: T) => {
    if (JSON.stringify(next) === from) clear();
    else write(JSON.stringify({ from, draft: next } satisfies Unsaved<T>));
  };
  const isRestored = draft !== base && past.length === 0 && ahead.length === 0;
  const change = (next: T) => {
    setPast([...past.slice(-MOST), draft]);
    setAhead([]);
    keep(next);
  };
  const back = () => {
    const before = past.at(-1);
    if (before === undefined) return;
    setPast(past.slice(0, -1));
    setAhead([draft, ...ahead]);
    keep(before);
  };
  const forward = () => {
    const [next, ...rest] = ahead;
    if (next === undefined) return;
    setAhead(rest);
    setPast([...past, draft]);
    keep(next);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    if ((event.target as HTMLElement).matches('input, textarea')) return;
    event.preventDefault();
    if (event.shiftKey) forward();
    else back();
  };
  const saved = (as: T) => {
    setBase(as);
    clear();
  };
  return {
    draft,
    change,
    saved,
    back,
    forward,
    mayBack: past.length > 0,
    mayForward: ahead.length > 0,
    isRestored,
    discard: clear,
    onKeyDown,
  };
}
