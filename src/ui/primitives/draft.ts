'use client';
/** A half-written text that survives a reload, kept in this browser until it is sent. */
import { useCallback, useEffect, useState } from 'react';

export function useDraft(key: string): [string, (text: string) => void, () => void] {
  const name = `urraca_draft_${key}`;
  const [text, setText] = useState('');
  useEffect(() => setText(localStorage.getItem(name) ?? ''), [name]);
  const write = useCallback(
    (next: string) => {
      setText(next);
      if (next) localStorage.setItem(name, next);
      else localStorage.removeItem(name);
    },
    [name],
  );
  const clear = useCallback(() => write(''), [write]);
  return [text, write, clear];
}
