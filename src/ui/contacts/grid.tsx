'use client';
/** The grid of contacts: rows of 40 px of which only those in sight are drawn, columns that are moved and widened, choosing by mouse and keys. */
import { useEffect, useLayoutEffect, useRef, useState, type PointerEvent as Pointer } from 'react';
import { isChosen, type Chosen } from '../changes';
import { useNow, useZone } from '../primitives';
import { useTags } from '../segments';
import { drawCell, type ColumnDef } from './columns';
import type { GridLayout } from './grid-columns';
import { nameOf, type Contact } from './types';
import './contacts.css';
import { BareButton, Checkbox } from '../kit';

const ROW = 40;
const BEYOND = 12;
const LEAST_WIDTH = 48;

interface Props {
  rows: Contact[];
  columns: ColumnDef[];
  layout: GridLayout;
  onLook: (layout: GridLayout) => void;
  /** The row of the cursor. */
  at: number;
  openId: string | null;
  chosen: Chosen;
  total: number;
  onOpen: (at: number) => void;
  onToggle: (at: number, range: boolean) => void;
  onToggleAll: () => void;
  /** The end of what is loaded comes into sight. */
  onEnd: () => void;
}

export function Grid(props: Props) {
  const { rows, columns, layout, at, openId, chosen } = props;
  const now = useNow();
  const zone = useZone();
  const { data: list = [] } = useTags();
  const tags = new Map(list.map((tag) => [tag.name, tag]));
  const box = useRef<HTMLDivElement>(null);
  const [view, setView] = useState({ top: 0, height: 800 });
  useLayoutEffect(() => {
    const element = box.current!;
    const measure = () => setView({ top: element.scrollTop, height: element.clientHeight });
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);
  useEffect(() => {
    const element = box.current!;
    const top = at * ROW;
    if (at < 0) return;
    if (top < element.scrollTop) element.scrollTop = top;
    else if (top + ROW * 2 > element.scrollTop + element.clientHeight)
      element.scrollTop = top + ROW * 2 - element.clientHeight + 4;
  }, [at]);
  const first = Math.max(0, Math.floor(view.top / ROW) - BEYOND);
  const last = Math.min(rows.length, Math.ceil((view.top + view.height) / ROW) + BEYOND);
  const { onEnd } = props;
  useEffect(() => {
    if (last >= rows.length - 5 && rows.length > 0) onEnd();
  }, [last, rows.length, onEnd]);
  const widths = new Map(layout.columns.map(({ key, width }) => [key, width]));
  return (
    <div
      ref={box}
      className="grid-box"
      onScroll={(event) => setView({ top: event.currentTarget.scrollTop, height: event.currentTarget.clientHeight })}
    >
      <table className="grid fixed" aria-rowcount={props.total + 1} aria-label="Contacts">
        <colgroup>
          <col style={{ width: 36 }} />
          {columns.map((column) => (
            <col key={column.key} style={{ width: widths.get(column.key) ?? column.width }} />
          ))}
        </colgroup>
        <Head {...props} />
        <tbody>
          {first > 0 && <tr aria-hidden="true" style={{ height: first * ROW }} />}
          {rows.slice(first, last).map((row, n) => {
            const place = first + n;
            const picked = isChosen(chosen, row.id);
            return (
              <tr
                key={row.id}
                aria-rowindex={place + 2}
                aria-selected={picked}
                className={`open${picked ? ' picked' : ''}${row.id === openId ? ' sel' : ''}${place === at ? ' at' : ''}`}
                onClick={(event) =>
                  event.shiftKey || event.metaKey || event.ctrlKey ? props.onToggle(place, event.shiftKey) : props.onOpen(place)
                }
              >
                <td className="tick" onClick={(event) => event.stopPropagation()}>
                  <Checkbox
                    checked={picked}
                    aria-label={`Choose ${nameOf(row)}`}
                    onChange={() => {}}
                    onClick={(event) => props.onToggle(place, event.shiftKey)}
                  />
                </td>
                {columns.map((column) => (
                  <td key={column.key} className={`cut${column.numeric ? ' n' : ''}`}>
                    {column.key === 'name' ? (
                      <BareButton className="name" aria-current={row.id === openId} tabIndex={place === Math.max(0, at) ? 0 : -1}>
                        {drawCell(column.cell(row), { now, zone, tags })}
                      </BareButton>
                    ) : (
                      drawCell(column.cell(row), { now, zone, tags })
                    )}
                  </td>
                ))}
              </tr>
            );
          })}
          {last < rows.length && <tr aria-hidden="true" style={{ height: (rows.length - last) * ROW }} />}
        </tbody>
      </table>
    </div>
  );
}

function Head({ columns, layout, onLook, chosen, total, rows, onToggleAll }: Props) {
  const dragged = useRef<string | null>(null);
  const all = rows.length > 0 && rows.every((row) => isChosen(chosen, row.id));
  const sortBy = (column: ColumnDef) => {
    if (!column.sort) return;
    const again = layout.sort === column.key;
    onLook({
      ...layout,
      sort: column.key,
      descending: again ? !layout.descending : column.sort === 'down',
    });
  };
  const move = (key: string, before: string) => {
    if (key === before) return;
    const moved = layout.columns.find((column) => column.key === key)!;
    const rest = layout.columns.filter((column) => column.key !== key);
    const to = rest.findIndex((column) => column.key === before);
    const from = layout.columns.findIndex((column) => column.key === key);
    const place = layout.columns.findIndex((column) => column.key === before) > from ? to + 1 : to;
    onLook({ ...layout, columns: [...rest.slice(0, place), moved, ...rest.slice(place)] });
  };
  const step = (key: string, by: number) => {
    const from = layout.columns.findIndex((column) => column.key === key);
    const other = layout.columns[from + by];
    if (other) move(key, other.key);
  };
  const widen = (key: string, width: number) =>
    onLook({
      ...layout,
      columns: layout.columns.map((column) =>
        column.key === key ? { ...column, width: Math.max(LEAST_WIDTH, Math.round(width)) } : column,
      ),
    });
  return (
    <thead>
      <tr>
        <th className="tick">
          <Checkbox
            checked={all}
            aria-label={`Select the ${rows.length} loaded of ${total}`}
            onChange={onToggleAll}
            disabled={!rows.length}
          />
        </th>
        {columns.map((column) => (
          <th
            key={column.key}
            className={column.numeric ? 'n' : ''}
            aria-sort={layout.sort === column.key ? (layout.descending ? 'descending' : 'ascending') : undefined}
            onDragOver={(event) => event.preventDefault()}
            onDrop={() => dragged.current && move(dragged.current, column.key)}
          >
            <BareButton
              className="sorter"
              draggable
              title={`${column.sort ? 'Sort. ' : ''}Drag to move, or press Shift and an arrow key.`}
              onDragStart={() => (dragged.current = column.key)}
              onDragEnd={() => (dragged.current = null)}
              onClick={() => sortBy(column)}
              onKeyDown={(event) => {
                if (!event.shiftKey || !['ArrowLeft', 'ArrowRight'].includes(event.key)) return;
                event.preventDefault();
                event.stopPropagation();
                step(column.key, event.key === 'ArrowRight' ? 1 : -1);
              }}
            >
              {column.name}
              {column.sort && layout.sort === column.key && <span aria-hidden="true">{layout.descending ? ' ↓' : ' ↑'}</span>}
            </BareButton>
            <Widener
              width={layout.columns.find(({ key }) => key === column.key)?.width ?? column.width}
              name={column.name}
              onWiden={(width) => widen(column.key, width)}
            />
          </th>
        ))}
      </tr>
    </thead>
  );
}

/** The edge of a column, dragged to make it wider. */
function Widener({ width, name, onWiden }: { width: number; name: string; onWiden: (width: number) => void }) {
  const from = useRef<{ x: number; width: number } | null>(null);
  const move = (event: Pointer) => from.current && onWiden(from.current.width + event.clientX - from.current.x);
  return (
    <span
      className="widener"
      role="separator"
      aria-orientation="vertical"
      aria-label={`Width of ${name}`}
      onPointerDown={(event) => {
        from.current = { x: event.clientX, width };
        event.currentTarget.setPointerCapture(event.pointerId);
        event.preventDefault();
      }}
      onPointerMove={move}
      onPointerUp={() => (from.current = null)}
    />
  );
}
