'use client';
/** Finding another contact by name, email or phone; a name that nobody has may be added. */
import { useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';
import { Combo } from '../kit';
import { nameOf } from './types';

/** The value of the line that adds somebody. */
const NEW = 'new';

export function FindContact({
  label,
  without,
  onNew,
  onPick,
  onClose,
}: {
  label: string;
  without: string[];
  /** Adds somebody of the typed name. */
  onNew?: (name: string) => void;
  onPick: (other: { id: string; name: string }) => void;
  onClose: () => void;
}) {
  const [q, setQ] = useState('');
  const { data } = useQuery({
    queryKey: ['household', 'find', q],
    queryFn: async () => (await ask('GET /contacts', { query: { limit: 6, q } })).items,
    enabled: q.trim().length > 1,
    placeholderData: keepPreviousData,
  });
  const found = data?.filter(({ id }) => !without.includes(id)) ?? [];
  return (
    <Combo
      label={label}
      placeholder="Name, email or phone"
      empty={q.trim().length < 2 ? 'Type a name, email or phone' : 'No matches'}
      autoFocus
      typed={q}
      onType={setQ}
      onClose={onClose}
      options={[
        ...found.map((one) => ({
          value: one.id,
          name: nameOf(one),
          note: [one.place.street, one.place.city].filter(Boolean).join(', '),
        })),
        ...(onNew && q.trim().length > 1 ? [{ value: NEW, name: `Add “${q.trim()}” as a new contact` }] : []),
      ]}
      onPick={(id) => {
        if (id === NEW) return onNew?.(q);
        const one = found.find((other) => other.id === id);
        if (one) onPick({ id, name: nameOf(one) });
      }}
    />
  );
}
