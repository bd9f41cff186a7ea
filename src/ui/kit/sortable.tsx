'use client';
/**
 * Bringing things into another order: by pointer, by finger (held a moment), or by keyboard: Space takes one up, arrows move it, Space puts it down,
 * Esc puts it back. What happens is read out. Everything that is moved on a page is moved by this file.
 */
import type { CSSProperties, HTMLAttributes, ReactNode } from 'react';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  horizontalListSortingStrategy,
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { styled } from '@mui/material/styles';

/** A list with one of it moved to another place. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const next = [...list];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(Math.max(0, Math.min(next.length, to)), 0, one);
  return next;
}

const STRATEGIES = { down: verticalListSortingStrategy, across: horizontalListSortingStrategy, wrapped: rectSortingStrategy };

export function Sortable({
  id,
  keys,
  direction = 'down',
  nameOf,
  onMove,
  children,
}: {
  /** Of the list, the same on server and client. */
  id: string;
  keys: string[];
  direction?: keyof typeof STRATEGIES;
  /** How one is called when it is read out. */
  nameOf: (key: string) => string;
  onMove: (from: number, to: number) => void;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const place = (key: unknown) => `place ${keys.indexOf(String(key)) + 1} of ${keys.length}`;
  const end = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(keys.indexOf(String(active.id)), keys.indexOf(String(over.id)));
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{
        /* What is read out stands outside: a row of a table takes nothing but cells. */
        container: typeof document === 'undefined' ? undefined : document.body,
        screenReaderInstructions: {
          draggable: 'To move it, press Space, then the arrow keys, then Space again. Esc puts it back.',
        },
        announcements: {
          onDragStart: ({ active }) => `${nameOf(String(active.id))} taken up, ${place(active.id)}.`,
          onDragOver: ({ active, over }) => (over ? `${nameOf(String(active.id))} is at ${place(over.id)}.` : undefined),
          onDragEnd: ({ active, over }) => `${nameOf(String(active.id))} put down at ${place(over?.id ?? active.id)}.`,
          onDragCancel: ({ active }) => `${nameOf(String(active.id))} stays where it was.`,
        },
      }}
    >
      <SortableContext items={keys} strategy={STRATEGIES[direction]}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

export interface SortableParts {
  /** For the element that moves. */
  item: { ref: (element: HTMLElement | null) => void; style: CSSProperties; 'data-dragging'?: true };
  /** For what it is taken by: itself, or a handle in it. */
  handle: HTMLAttributes<HTMLElement> & { ref: (element: HTMLElement | null) => void };
  /** For what is taken by pointer and finger alone, because its keys do something else. */
  pointer: HTMLAttributes<HTMLElement> & { ref: (element: HTMLElement | null) => void };
}
/** One of a `Sortable`. */
export function useSortableItem(key: string): SortableParts {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id: key });
  return {
    item: {
      ref: setNodeRef,
      style: { transform: CSS.Translate.toString(transform), transition, ...(isDragging && { zIndex: 3, opacity: 0.8 }) },
      'data-dragging': isDragging || undefined,
    },
    handle: { ref: setActivatorNodeRef, ...attributes, ...listeners },
    pointer: { ref: setActivatorNodeRef, ...listeners, onKeyDown: undefined },
  };
}

const Grip = styled('button')(({ theme: { vars } }) => ({
  display: 'inline-grid',
  placeItems: 'center',
  width: 24,
  height: 24,
  padding: 0,
  border: 0,
  background: 'none',
  color: vars.palette.text.secondary,
  cursor: 'grab',
  touchAction: 'none',
}));
/** What something is taken by. @param name of what it moves */
export const GrabHandle = ({ name, handle }: { name: string; handle: SortableParts['handle'] }) => (
  <Grip type="button" {...handle} aria-label={`Move ${name}`} title="Drag, or press Space and then arrow keys">
    <GripVertical size={15} aria-hidden="true" />
  </Grip>
);

/** A board on which tiles are taken to places, by pointer or finger; a tile's own keys move it otherwise. */
export function DragBoard({
  id,
  onDrop,
  children,
}: {
  id: string;
  /** @param tile what was taken @param place where it was let go */
  onDrop: (tile: string, place: string) => void;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={({ active, over }) => over && onDrop(String(active.id), String(over.id))}
      accessibility={{ container: typeof document === 'undefined' ? undefined : document.body }}
    >
      {children}
    </DndContext>
  );
}

/** A tile of a board; `props` go to its element. */
export function useDragTile(key: string, disabled: boolean) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: key, disabled });
  return {
    ref: setNodeRef,
    ...listeners,
    style: transform
      ? { transform: CSS.Translate.toString(transform), position: 'relative' as const, zIndex: 5, touchAction: 'none' }
      : { touchAction: 'manipulation' },
    'data-dragging': isDragging || undefined,
  };
}

/** A place of a board; `over` while a tile is above it. */
export function useDropPlace(key: string): { ref: (element: HTMLElement | null) => void; over: boolean } {
  const { setNodeRef, isOver } = useDroppable({ id: key });
  return { ref: setNodeRef, over: isOver };
}
