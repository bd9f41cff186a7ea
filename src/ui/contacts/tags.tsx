'use client';
/** The tags of one contact: removed by a click, added while one types, new ones made in passing. */
import { useState } from 'react';
import { TagChip } from '../changes';
import { useTags } from '../segments';
import { Button, Row } from '../kit';
import { useInPlace } from './in-place';
import { TagPicker } from './later';
import type { Contact } from './types';

export function ContactTagChips({ contact, readOnly }: { contact: Contact; readOnly?: boolean }) {
  const { data: tags = [] } = useTags();
  const { removeTag } = useInPlace(contact);
  return contact.tags.map((name) => (
    <TagChip
      key={name}
      name={name}
      color={tags.find((tag) => tag.name === name)?.color}
      onRemove={readOnly ? undefined : () => removeTag(name)}
    />
  ));
}

export function ContactTags({ contact, readOnly }: { contact: Contact; readOnly?: boolean }) {
  const [adding, setAdding] = useState(false);
  const { addTag } = useInPlace(contact);
  return (
    <Row
      gap={1}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !adding) return;
        event.stopPropagation();
        setAdding(false);
      }}
    >
      <ContactTagChips contact={contact} readOnly={readOnly} />
      {!readOnly && !adding && (
        <Button size="tiny" onClick={() => setAdding(true)}>
          + Tag
        </Button>
      )}
      {adding && (
        <TagPicker
          autoFocus
          mayMake
          label="Add a tag"
          chosen={[]}
          onChange={([id]) => {
            if (id) addTag(id);
            setAdding(false);
          }}
        />
      )}
    </Row>
  );
}
