'use client';
/**
 * The head of the grid: one stop of the Tab key, arrows go between columns. Enter sorts, Shift with an arrow moves a column, Alt with an arrow makes
 * it wider; by pointer or finger a column is dragged, its edge too.
 */
import { useState, type KeyboardEvent, type MouseEvent, type TouchEvent } from 'react';
import { Checkbox, HeadButton, HeadEdge, Sortable, useSortableItem } from '../kit';

export interface HeadColumn {
  key: string;
  name: string;
  numeric?: boolean;
  sortable: boolean;
  sorted: 'ascending' | 'descending' | null;
  /** Starts to draw its edge. */
  onResize: (event: MouseEvent | TouchEvent) => void;
}
interface HeadProps {
  columns: HeadColumn[];
  onSort: (key: string) => void;
  onMove: (from: number, to: number) => void;
  onWiden: (key: string, by: number) => void;
  all: boolean;
  some: boolean;
  selectLabel: string;
  disabled: boolean;
  onToggleAll: () => void;
}

const STEP = 16;
export function GridHead({ columns, onSort, onMove, onWiden, all, some, selectLabel, disabled, onToggleAll }: HeadProps) {
  const [at, setAt] = useState(0);
  const here = Math.min(at, columns.length - 1);
  const onKeyDown = (event: KeyboardEvent<HTMLTableRowElement>) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const column = columns[here];
    if (!by || !column || !(event.target as HTMLElement).dataset.sorter) return;
    event.preventDefault();
    event.stopPropagation();
    const to = Math.max(0, Math.min(columns.length - 1, here + by));
    if (event.altKey) return onWiden(column.key, by * STEP);
    if (event.shiftKey) onMove(here, to);
    setAt(to);
    const row = event.currentTarget;
    requestAnimationFrame(() => row.querySelectorAll<HTMLElement>('[data-sorter]')[to]?.focus());
  };
  return (
    <thead>
      <tr aria-rowindex={1} onKeyDown={onKeyDown}>
        <th className="tick" scope="col">
          <Checkbox
            checked={all}
            indeterminate={some && !all}
            aria-label={selectLabel}
            onChange={onToggleAll}
            disabled={disabled}
          />
        </th>
        <Sortable
          id="grid-columns"
          direction="across"
          keys={columns.map(({ key }) => key)}
          nameOf={(key) => columns.find((column) => column.key === key)?.name ?? ''}
          onMove={onMove}
        >
          {columns.map((column, n) => (
            <ColumnHead
              key={column.key}
              column={column}
              stop={n === here}
              onSort={() => onSort(column.key)}
              onHere={() => setAt(n)}
            />
          ))}
        </Sortable>
      </tr>
    </thead>
  );
}

function ColumnHead({
  column,
  stop,
  onSort,
  onHere,
}: {
  column: HeadColumn;
  stop: boolean;
  onSort: () => void;
  onHere: () => void;
}) {
  /* The keyboard moves columns by Shift and arrows: Space and Enter sort. */
  const { item, pointer } = useSortableItem(column.key);
  return (
    <th
      {...item}
      scope="col"
      data-numeric={column.numeric || undefined}
      aria-sort={column.sorted ?? (column.sortable ? 'none' : undefined)}
    >
      <HeadButton
        {...pointer}
        data-sorter={column.key}
        tabIndex={stop ? 0 : -1}
        aria-disabled={!column.sortable || undefined}
        title={`${column.sortable ? 'Sort (Enter). ' : ''}Drag to move, or Shift+arrow; Alt+arrow makes it wider or narrower.`}
        onFocus={onHere}
        onClick={onSort}
      >
        {column.name}
        {column.sorted && <span aria-hidden="true">{column.sorted === 'descending' ? ' ↓' : ' ↑'}</span>}
      </HeadButton>
      <HeadEdge aria-hidden="true" onMouseDown={column.onResize} onTouchStart={column.onResize} />
    </th>
  );
}
