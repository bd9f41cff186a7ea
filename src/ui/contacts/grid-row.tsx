'use client';
/** A row of the grid: its tick, its cells, a pencil on what can be changed in place. Drawn anew only when something of it changes. */
import { memo, type MouseEvent } from 'react';
import { Pencil } from 'lucide-react';
import type { Tag } from '../segments';
import { BareButton, Checkbox } from '../kit';
import { drawCell, type ColumnDef } from './columns';
import { EDIT_TITLES, isEditable, type EditableColumn } from './grid-cells';
import { nameOf, type Contact } from './types';

interface RowProps {
  contact: Contact;
  place: number;
  columns: ColumnDef[];
  tags: Map<string, Tag>;
  picked: boolean;
  open: boolean;
  at: boolean;
  /** The Tab key stops here. */
  stop: boolean;
  readOnly: boolean;
  maySelect: boolean;
  onOpen: (place: number) => void;
  onToggle: (place: number, range: boolean) => void;
  onEdit: (contact: Contact, column: EditableColumn) => void;
}

export const GridRow = memo(function GridRow({
  contact,
  place,
  columns,
  tags,
  picked,
  open,
  at,
  stop,
  readOnly,
  maySelect,
  ...does
}: RowProps) {
  const name = nameOf(contact);
  const onClick = (event: MouseEvent) =>
    event.shiftKey || event.metaKey || event.ctrlKey ? does.onToggle(place, event.shiftKey) : does.onOpen(place);
  return (
    <tr
      data-row={contact.id}
      data-at={at || undefined}
      data-open={open || undefined}
      aria-rowindex={place + 2}
      aria-selected={picked}
      onClick={onClick}
    >
      <td className="tick" onClick={(event) => event.stopPropagation()}>
        <Checkbox
          checked={picked}
          tabIndex={-1}
          aria-label={`Select ${name}`}
          disabled={!maySelect}
          onChange={() => {}}
          onClick={(event) => does.onToggle(place, event.shiftKey)}
        />
      </td>
      {columns.map((column) => {
        const drawn = drawCell(column.cell(contact), tags);
        return (
          <td key={column.key} data-cell={column.key} data-numeric={column.numeric || undefined}>
            {column.key === 'name' ? (
              <BareButton data-name="" aria-current={open || undefined} tabIndex={stop ? 0 : -1}>
                {drawn}
              </BareButton>
            ) : (
              drawn
            )}
            {!readOnly && isEditable(column.key) && (
              <BareButton
                className="edit"
                tabIndex={-1}
                aria-label={`${EDIT_TITLES[column.key]}: ${name}`}
                title={EDIT_TITLES[column.key]}
                onClick={(event) => {
                  event.stopPropagation();
                  does.onEdit(contact, column.key as EditableColumn);
                }}
              >
                <Pencil size={13} aria-hidden="true" />
              </BareButton>
            )}
          </td>
        );
      })}
    </tr>
  );
});
