'use client';
/** Changing a cell where it stands: the menu or the field that opens over it, by mouse or by its key. */
import { useEffect, useState } from 'react';
import { Popup, Row } from '../kit';
import { HorizonMenu, StageMenu, useInPlace } from './in-place';
import { NextTouch, TagPicker } from './later';
import { nameOf, type Contact } from './types';
import { ContactTagChips } from './tags';

/** The columns whose cells are changed in place. */
export const EDITABLE = ['stage', 'horizon', 'tags', 'next_touch'] as const;
export type EditableColumn = (typeof EDITABLE)[number];
export const isEditable = (key: string): key is EditableColumn => (EDITABLE as readonly string[]).includes(key);
export const EDIT_TITLES: Record<EditableColumn, string> = {
  stage: 'Change stage (Shift+S)',
  horizon: 'Change horizon (Shift+H)',
  tags: 'Add or remove tags (Shift+T)',
  next_touch: 'Set the next touch (s)',
};

export function CellEditor({
  contact,
  column,
  anchor,
  onClose,
}: {
  contact: Contact;
  column: EditableColumn;
  anchor: HTMLElement;
  onClose: () => void;
}) {
  const { setStage, setHorizon, addTag, asking } = useInPlace(contact);
  const [open, setOpen] = useState(true);
  const close = () => setOpen(false);
  /* What was chosen may ask something more, and stands until that is answered. */
  const over = !open && !asking;
  useEffect(() => {
    if (over) onClose();
  }, [over, onClose]);
  const name = nameOf(contact);
  const menu = { contact, anchor, onClose: close };
  if (!open) return asking;
  return (
    <>
      {column === 'stage' && <StageMenu {...menu} onPick={setStage} />}
      {column === 'horizon' && <HorizonMenu {...menu} onPick={(key) => setHorizon(key || null)} />}
      {column === 'tags' && (
        <Popup anchor={anchor} label={`Tags of ${name}`} onClose={close}>
          <Row gap={1}>
            <ContactTagChips contact={contact} />
          </Row>
          <TagPicker autoFocus mayMake label="Add a tag" chosen={[]} onChange={([id]) => id && addTag(id)} />
        </Popup>
      )}
      {column === 'next_touch' && (
        <Popup anchor={anchor} label={`Next touch with ${name}`} width={560} onClose={close}>
          <NextTouch contactId={contact.id} onClose={close} />
        </Popup>
      )}
    </>
  );
}
