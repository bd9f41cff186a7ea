'use client';
/**
 * The grid of contacts: columns by TanStack Table, of the rows only those in sight by TanStack Virtual. It is one stop of the Tab key: arrows or j and k
 * go between rows, the focus goes along and comes back after whatever opened.
 */
import { useCallback, useEffect, useMemo, useRef } from 'react';
import {
  columnOrderingFeature,
  columnResizingFeature,
  columnSizingFeature,
  tableFeatures,
  useTable,
  type ColumnDef as TableColumn,
} from '@tanstack/react-table';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { isChosen, type Chosen } from '../changes';
import { useTags } from '../segments';
import { DataGrid, moved, ROW_HEIGHT } from '../kit';
import { type ColumnDef } from './columns';
import { CellEditor, type EditableColumn } from './grid-cells';
import type { GridLayout } from './grid-columns';
import { GridHead } from './grid-head';
import { GridRow } from './grid-row';
import type { Contact } from './types';
import type { ContactList } from './use-contacts';

const features = tableFeatures({ columnOrderingFeature, columnResizingFeature, columnSizingFeature });
const LEAST_WIDTH = 48;
const BEYOND = 8;

/** A cell that is being changed. */
const FIT_WIDTH = 92;
export interface Editing {
  contact: Contact;
  column: EditableColumn;
}

interface GridProps {
  list: ContactList;
  columns: ColumnDef[];
  /** Names have the room there is, the other columns little, whatever their widths. */
  fit: boolean;
  layout: GridLayout;
  /** Shows a layout and remembers it. */
  onLayout: (layout: GridLayout) => void;
  /** The place of the cursor in the list. */
  at: number;
  openId: string | null;
  chosen: Chosen;
  readOnly: boolean;
  maySelect: boolean;
  editing: Editing | null;
  onEdit: (editing: Editing | null) => void;
  onOpen: (place: number) => void;
  onToggle: (place: number, range: boolean) => void;
  onToggleAll: () => void;
}

export function Grid(props: GridProps) {
  const { list, columns, at, openId, chosen, editing, onEdit } = props;
  const box = useRef<HTMLDivElement>(null);
  const places = list.offset + list.rows.length;
  const rows = useVirtualizer({
    count: places,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_HEIGHT,
    /* What a screen holds, for the rows that come with the page. */
    initialRect: { width: 1_000, height: 640 },
    overscan: BEYOND,
    scrollPaddingStart: ROW_HEIGHT,
    /* The row of the cursor stays, wherever one scrolls, so that the focus does. */
    rangeExtractor: (range) => {
      const shown = defaultRangeExtractor(range);
      return at < 0 || at >= range.count || shown.includes(at) ? shown : [...shown, at].sort((a, b) => a - b);
    },
  });
  const items = rows.getVirtualItems();
  const { startIndex = 0, endIndex = 0 } = rows.range ?? {};
  const { see } = list;
  useEffect(() => see(startIndex, endIndex), [see, startIndex, endIndex]);
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at, { align: 'auto' });
  }, [at, rows]);
  useFocusAlong(box, at, openId, editing !== null);
  const { data: tags } = useTags();
  const tagsByName = useMemo(() => new Map((tags ?? []).map((tag) => [tag.name, tag])), [tags]);
  /* The same functions for every row, so that a row draws anew only when something of its own changed. */
  const latest = useRef(props);
  useEffect(() => {
    latest.current = props;
  });
  const onOpen = useCallback((place: number) => latest.current.onOpen(place), []);
  const onToggle = useCallback((place: number, range: boolean) => latest.current.onToggle(place, range), []);
  const onEditCell = useCallback((contact: Contact, column: EditableColumn) => latest.current.onEdit({ contact, column }), []);
  const head = useColumns(props);
  const anchor = editing && cellOf(box.current, editing);
  let above = 0;
  return (
    <DataGrid ref={box} tabIndex={-1}>
      <table role="grid" aria-rowcount={(list.total ?? places) + 1} aria-label="Contacts" aria-multiselectable="true">
        <colgroup>
          <col style={{ width: 36 }} />
          {head.widths.map(([key, width]) => (
            <col key={key} style={props.fit ? (key === 'name' ? undefined : { width: FIT_WIDTH }) : { width }} />
          ))}
        </colgroup>
        <GridHead
          {...head.props}
          all={list.rows.length > 0 && list.rows.every(({ id }) => isChosen(chosen, id))}
          some={list.rows.some(({ id }) => isChosen(chosen, id))}
          selectLabel={`Select the ${list.rows.length} loaded of ${list.total ?? places}`}
          disabled={!list.rows.length || !props.maySelect}
          onToggleAll={props.onToggleAll}
        />
        <tbody>
          {items.map((item) => {
            const gap = item.start - above;
            above = item.end;
            const contact = list.rows[item.index - list.offset];
            return [
              gap > 0 && <tr key={`gap ${item.index}`} aria-hidden="true" style={{ height: gap }} />,
              contact ? (
                <GridRow
                  key={contact.id}
                  contact={contact}
                  place={item.index}
                  columns={columns}
                  tags={tagsByName}
                  picked={isChosen(chosen, contact.id)}
                  open={contact.id === openId}
                  at={item.index === at}
                  stop={item.index === Math.max(at, list.offset)}
                  readOnly={props.readOnly}
                  maySelect={props.maySelect}
                  onOpen={onOpen}
                  onToggle={onToggle}
                  onEdit={onEditCell}
                />
              ) : (
                <tr key={`gone ${item.index}`} aria-hidden="true" style={{ height: ROW_HEIGHT }} />
              ),
            ];
          })}
          {rows.getTotalSize() > above && <tr aria-hidden="true" style={{ height: rows.getTotalSize() - above }} />}
        </tbody>
      </table>
      {editing && anchor && (
        <CellEditor contact={editing.contact} column={editing.column} anchor={anchor} onClose={() => onEdit(null)} />
      )}
    </DataGrid>
  );
}

/** Where a change opens: over its cell, or over the name where the column is hidden. */
function cellOf(box: HTMLElement | null, { contact, column }: Editing): HTMLElement | null {
  const row = box?.querySelector(`[data-row="${contact.id}"]`);
  return (
    row?.querySelector<HTMLElement>(`[data-cell="${column}"]`) ?? row?.querySelector<HTMLElement>('[data-cell="name"]') ?? null
  );
}

/** The focus goes with the cursor, and comes back to its row when the Dossier or an editor closes. */
function useFocusAlong(box: React.RefObject<HTMLElement | null>, at: number, openId: string | null, editing: boolean): void {
  const before = useRef({ at, openId, editing });
  useEffect(() => {
    const was = before.current;
    before.current = { at, openId, editing };
    const left = (was.openId !== null && openId === null) || (was.editing && !editing);
    const moves = was.at !== at && (box.current?.contains(document.activeElement) || document.activeElement === document.body);
    if (!left && !moves) return;
    const frame = requestAnimationFrame(() =>
      box.current?.querySelector<HTMLElement>('tr[data-at] [data-name]')?.focus({ preventScroll: true }),
    );
    return () => cancelAnimationFrame(frame);
  }, [box, at, openId, editing]);
}

/** Columns with their order and widths; an edge that is drawn shows at once and is remembered when it is let go. */
function useColumns({ columns, layout, onLayout, list }: GridProps) {
  const saved = new Map(layout.columns.map(({ key, width }) => [key, width]));
  const sizing = Object.fromEntries(columns.map(({ key, width }) => [key, saved.get(key) ?? width]));
  const defs = useMemo(
    () =>
      columns.map(({ key, name, width }): TableColumn<typeof features, Contact> => ({
        id: key,
        header: name,
        size: width,
        minSize: LEAST_WIDTH,
      })),
    [columns],
  );
  const saveWidths = (widths: Record<string, number>) =>
    onLayout({
      ...layout,
      columns: layout.columns.map((column) => ({
        ...column,
        width: Math.max(LEAST_WIDTH, Math.round(widths[column.key] ?? column.width)),
      })),
    });
  const table = useTable(
    {
      features,
      columns: defs,
      data: list.rows,
      columnResizeMode: 'onEnd',
      state: { columnSizing: sizing, columnOrder: columns.map(({ key }) => key) },
      onColumnSizingChange: (change) => saveWidths(typeof change === 'function' ? change(sizing) : change),
    },
    (state) => ({ columnResizing: state.columnResizing }),
  );
  const { isResizingColumn, deltaOffset } = table.state.columnResizing;
  const widthOf = (key: string, size: number) =>
    key === isResizingColumn ? Math.max(LEAST_WIDTH, size + (deltaOffset ?? 0)) : size;
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  return {
    widths: headers.map((header): [string, number] => [header.id, widthOf(header.id, header.getSize())]),
    props: {
      columns: headers.map((header) => {
        const column = columns.find(({ key }) => key === header.id)!;
        return {
          key: column.key,
          name: column.name,
          numeric: column.numeric,
          sortable: column.sort !== undefined,
          sorted: layout.sort === column.key ? (layout.descending ? ('descending' as const) : ('ascending' as const)) : null,
          onResize: header.getResizeHandler(),
        };
      }),
      onSort: (key: string) => {
        const { sort } = columns.find((column) => column.key === key)!;
        if (!sort) return;
        const again = layout.sort === key;
        onLayout({ ...layout, sort: key, descending: again ? !layout.descending : sort === 'down' });
      },
      onMove: (from: number, to: number) => onLayout({ ...layout, columns: moved(layout.columns, from, to) }),
      onWiden: (key: string, by: number) => saveWidths({ ...sizing, [key]: (sizing[key] ?? LEAST_WIDTH) + by }),
    },
  };
}
