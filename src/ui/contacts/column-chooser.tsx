'use client';
/** Choosing the columns of the grid and their order, by mouse, finger or keyboard. */
import { useState } from 'react';
import { Button, Checkbox, GrabHandle, Heading, moved, Popup, Row, Sortable, Stack, useSortableItem } from '../kit';
import type { ColumnDef } from './columns';
import type { GridLayout } from './grid-columns';

interface ChooserProps {
  all: ColumnDef[];
  layout: GridLayout;
  onLayout: (layout: GridLayout) => void;
}

export function ColumnChooser({ all, layout, onLayout }: ChooserProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button size="small" aria-haspopup="dialog" onClick={(event) => setAnchor(event.currentTarget)}>
        Columns
      </Button>
      <Popup anchor={anchor} label="Columns" width={300} onClose={() => setAnchor(null)}>
        <Choices all={all} layout={layout} onLayout={onLayout} />
      </Popup>
    </>
  );
}

function Choices({ all, layout, onLayout }: ChooserProps) {
  const shown = layout.columns.flatMap(({ key }) => all.find((column) => column.key === key) ?? []);
  const hidden = all.filter(({ key }) => !shown.some((column) => column.key === key));
  const toggle = ({ key, width }: ColumnDef) =>
    onLayout({
      ...layout,
      columns: shown.some((column) => column.key === key)
        ? layout.columns.filter((column) => column.key !== key)
        : [...layout.columns, { key, width }],
    });
  return (
    <Stack gap={1} scroll={420}>
      <Heading>Shown, in this order</Heading>
      <Sortable
        id="chosen-columns"
        keys={shown.map(({ key }) => key)}
        nameOf={(key) => shown.find((column) => column.key === key)?.name ?? ''}
        onMove={(from, to) => onLayout({ ...layout, columns: moved(layout.columns, from, to) })}
      >
        {shown.map((column) => (
          <ShownColumn key={column.key} column={column} onToggle={() => toggle(column)} />
        ))}
      </Sortable>
      {hidden.length > 0 && <Heading>Hidden</Heading>}
      {hidden.map((column) => (
        <Checkbox key={column.key} checked={false} onChange={() => toggle(column)}>
          {column.name}
        </Checkbox>
      ))}
    </Stack>
  );
}

function ShownColumn({ column, onToggle }: { column: ColumnDef; onToggle: () => void }) {
  const { item, handle } = useSortableItem(column.key);
  return (
    <Row {...item} spread wrap={false} gap={1}>
      <Checkbox checked disabled={column.key === 'name'} onChange={onToggle}>
        {column.name}
      </Checkbox>
      <GrabHandle name={column.name} handle={handle} />
    </Row>
  );
}
