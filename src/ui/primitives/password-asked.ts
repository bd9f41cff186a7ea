'use client';
/** Whether the password is asked for again, because a change was sent that needs it. */
import { useEffect, useState } from 'react';
import { onPasswordRequired } from './api';

/** @returns what ends the asking, with whether it was typed; null while nothing is asked */
export function usePasswordAsked(): ((typed: boolean) => void) | null {
  const [asked, setAsked] = useState<{ answer: (typed: boolean) => void } | null>(null);
  useEffect(() => onPasswordRequired(() => new Promise((answer) => setAsked({ answer }))), []);
  return (
    asked &&
    ((typed) => {
      setAsked(null);
      asked.answer(typed);
    })
  );
}
