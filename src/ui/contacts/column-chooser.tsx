'use client';
/** Choosing the columns of the grid. */
import { useState } from 'react';
import Popover from '@mui/material/Popover';
import type { ColumnDef } from './columns';
import type { GridLayout } from './grid-columns';
import { Button, Checkbox } from '../kit';

export function ColumnChooser({
  all,
  layout,
  onLook,
}: {
  all: ColumnDef[];
  layout: GridLayout;
  onLook: (layout: GridLayout) => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const shown = new Set(layout.columns.map(({ key }) => key));
  const toggle = (column: ColumnDef) =>
    onLook({
      ...layout,
      columns: shown.has(column.key)
        ? layout.columns.filter(({ key }) => key !== column.key)
        : [...layout.columns, { key: column.key, width: column.width }],
    });
  return (
    <>
      <Button size="small" aria-haspopup="dialog" onClick={(event) => setAnchor(event.currentTarget)}>
        Columns
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        slotProps={{ paper: { className: 'pop' } }}
      >
        <div className="editor">
          <p className="strong">Columns</p>
          <div className="values" style={{ maxHeight: 380 }}>
            {all.map((column) => (
              <label key={column.key} className="choice">
                <Checkbox checked={shown.has(column.key)} disabled={column.key === 'name'} onChange={() => toggle(column)} />{' '}
                {column.name}
              </label>
            ))}
          </div>
        </div>
      </Popover>
    </>
  );
}
