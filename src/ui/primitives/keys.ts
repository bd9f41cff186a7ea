'use client';
/**
 * Hearing shortcuts: of the scopes in use the most urgent that knows a key hears it, and none while somebody types, typed a moment ago, or a
 * dialog or menu is open.
 */
import { useEffect, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { SCOPES, SHORTCUTS, type ShortcutScope } from './shortcuts';

export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable);
/** A box that is ticked takes no letters. */
const takesLetters = (target: EventTarget | null): boolean =>
  isTyping(target) && !(target instanceof HTMLInputElement && /^(?:checkbox|radio)$/.test(target.type));

/** A key pressed so soon after one that was typed into a field belongs to the same words, wherever the focus went meanwhile. */
const SAME_WORDS_MS = 1_500;
let typedAt = -Infinity;
/** Whether a key goes on with words that were being typed when their field lost the focus without anybody's doing. */
function goesOnTyping(event: KeyboardEvent): boolean {
  const left = /^(?:Escape|Enter|Tab)$/.test(event.key);
  if (takesLetters(event.target)) typedAt = left ? -Infinity : event.timeStamp;
  else if (left) typedAt = -Infinity;
  else if (event.timeStamp - typedAt < SAME_WORDS_MS) typedAt = event.timeStamp;
  else return false;
  return !left;
}
const typing = new WeakSet<Event>();
if (typeof window !== 'undefined') {
  window.addEventListener('keydown', (event) => goesOnTyping(event) && typing.add(event), true);
  window.addEventListener('pointerdown', () => (typedAt = -Infinity), true);
}

/** Whether a key is for something else than a shortcut. */
export const isSilent = (event: KeyboardEvent): boolean =>
  event.defaultPrevented ||
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  takesLetters(event.target) ||
  typing.has(event) ||
  document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]') !== null;

/** What has the focus is pressed by Enter, but for the one of a list that one is at already: there Enter opens it further. */
const isPressedByEnter = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('a[href], button, summary, [role="tab"]') !== null &&
  target.closest('[aria-current="true"]') === null;

/** Which keys each scope in use hears now. */
const heard = new Map<symbol, { scope: ShortcutScope; keys: Set<string> }>();
const isTakenAbove = (scope: ShortcutScope, key: string): boolean =>
  [...heard.values()].some((other) => SCOPES.indexOf(other.scope) < SCOPES.indexOf(scope) && other.keys.has(key));

/** What each shortcut of a scope does here; those left out are not heard. */
export type ShortcutActions<Scope extends ShortcutScope> = Partial<
  Record<Extract<keyof (typeof SHORTCUTS)[Scope], string>, (event: KeyboardEvent) => void>
>;

export function useShortcuts<Scope extends ShortcutScope>(scope: Scope, actions: ShortcutActions<Scope>, enabled = true): void {
  const entries = SHORTCUTS[scope] as Record<string, readonly [string, string]>;
  const byKey = new Map<string, (event: KeyboardEvent) => void>();
  for (const [name, act] of Object.entries(actions) as [string, (event: KeyboardEvent) => void][])
    for (const key of entries[name]?.[0].split(',') ?? []) byKey.set(key, act);
  const keys = [...byKey.keys()].join(',');
  const self = useRef(Symbol(scope));
  useEffect(() => {
    const id = self.current;
    if (enabled) heard.set(id, { scope, keys: new Set(keys.split(',')) });
    return () => void heard.delete(id);
  }, [scope, keys, enabled]);
  useHotkeys(
    keys,
    (event, { hotkey }) => {
      if (isTakenAbove(scope, hotkey)) return;
      if (scope === 'list' && hotkey === 'enter' && isPressedByEnter(event.target)) return;
      event.preventDefault();
      byKey.get(hotkey)?.(event);
    },
    {
      enabled: enabled && keys !== '',
      /* Letters as they are written on the keys of this keyboard. */
      useKey: true,
      ignoreEventWhen: isSilent,
      enableOnFormTags: true,
    },
  );
}
