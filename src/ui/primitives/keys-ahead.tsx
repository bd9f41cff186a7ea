'use client';
/** What is typed while an editor is on its way: it goes into the editor's own field once that has come, and is read by no shortcut meanwhile. */
import { useEffect } from 'react';

const isText = (target: Element | null): target is HTMLInputElement | HTMLTextAreaElement =>
  target instanceof HTMLTextAreaElement || (target instanceof HTMLInputElement && target.type === 'text');

/** As if it had been typed there: React hears of it by the event alone, after its own setter was passed by. */
function typeInto(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  const prototype = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement.prototype : HTMLInputElement.prototype;
  Object.getOwnPropertyDescriptor(prototype, 'value')!.set!.call(field, field.value + text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

const inNextFrame = (work: () => void): void => void requestAnimationFrame(work);

/** Into a field of one line Enter goes as a key, once the field has answered to what stands before it. */
function typeAhead(text: string): void {
  const field = document.activeElement;
  if (!isText(field)) return;
  const [line = '', ...more] = field instanceof HTMLTextAreaElement ? [text] : text.split('\n');
  typeInto(field, line);
  if (more.length)
    inNextFrame(() => field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })));
}

/** Stands in the place of an editor that has a field with the focus. */
export function KeysAhead() {
  useEffect(() => {
    let text = '';
    const take = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === 'Backspace') text = text.slice(0, -1);
      else if (event.key.length === 1) text += event.key;
      else if (event.key === 'Enter' && text) text += '\n';
      else return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', take, true);
    return () => {
      window.removeEventListener('keydown', take, true);
      if (text) inNextFrame(() => typeAhead(text));
    };
  }, []);
  return null;
}
