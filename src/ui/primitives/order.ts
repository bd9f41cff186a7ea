'use client';
/** Bringing a list into another order: by dragging a handle, or with Alt and the arrow keys. */
import { useState, type DragEvent, type KeyboardEvent } from 'react';

/** A list with one of it moved to another place. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const next = [...list];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(Math.max(0, Math.min(next.length, to)), 0, one);
  return next;
}

/**
 * @param onDrop something else than an item of the list was let go over a place of it, as a kind of block from beside it
 * @returns `item` for each element of the list, `handle` for what it is taken by, `over` where it would fall
 */
export function useOrder<T>(list: readonly T[], put: (list: T[]) => void, onDrop?: (at: number) => void) {
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const end = () => {
    setDragged(null);
    setOver(null);
  };
  return {
    over,
    item: (at: number) => ({
      draggable: dragged !== null,
      onDragOver: (event: DragEvent) => {
        event.preventDefault();
        setOver(at);
      },
      onDrop: (event: DragEvent) => {
        event.preventDefault();
        if (dragged !== null) put(moved(list, dragged, at));
        else onDrop?.(at);
        end();
      },
      onDragEnd: end,
      onKeyDown: (event: KeyboardEvent) => {
        if (!event.altKey || !['ArrowUp', 'ArrowDown'].includes(event.key)) return;
        event.preventDefault();
        put(moved(list, at, at + (event.key === 'ArrowUp' ? -1 : 1)));
      },
    }),
    handle: (at: number) => ({ onPointerDown: () => setDragged(at), onPointerUp: end }),
  };
}
