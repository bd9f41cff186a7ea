'use client';
/** The tags of one contact: taken away by a click, given while one types, new ones made in passing. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { TagChip, TagPicker } from '../changes';
import { ask } from '../primitives';
import { useTags } from '../segments';
import type { ContactInFull } from './types';
import { Button, useToast } from '../kit';

export function ContactTags({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const { data: tags = [] } = useTags();
  const [adding, setAdding] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: (names: string[]) => ask('PATCH /contacts/{id}', { params: { id: contact.id }, body: { tags: names } }),
    onSuccess: () => void queries.invalidateQueries(),
    onError: toast.fail,
  });
  const colorOf = (name: string) => tags.find((tag) => tag.name === name)?.color;
  const take = (name: string) => {
    const before = contact.tags;
    save.mutate(
      before.filter((one) => one !== name),
      { onSuccess: () => toast.tell(`“${name}” removed.`, () => save.mutate(before)) },
    );
  };
  return (
    <section>
      <h2>Tags</h2>
      {contact.tags.map((name) => (
        <TagChip key={name} name={name} color={colorOf(name)} onRemove={readOnly ? undefined : () => take(name)} />
      ))}
      {!readOnly && !adding && (
        <Button size="small" style={{ padding: '0 8px' }} onClick={() => setAdding(true)}>
          + Tag
        </Button>
      )}
      {adding && (
        <div
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            event.stopPropagation();
            setAdding(false);
          }}
        >
          <TagPicker
            autoFocus
            mayMake
            label="Add a tag"
            chosen={[]}
            onChange={([id]) => {
              const tag = queries.getQueryData<{ id: string; name: string }[]>(['tags'])?.find((one) => one.id === id);
              if (tag) save.mutate([...contact.tags, tag.name]);
              setAdding(false);
            }}
          />
        </div>
      )}
    </section>
  );
}
