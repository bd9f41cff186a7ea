'use client';
/** Who shares a household with a contact: joined by finding somebody, left by a click, both undoable. */
import { useState } from 'react';
import Link from 'next/link';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { nameOf, type ContactInFull } from './types';
import './contacts.css';
import { BareButton, Button, Input, useToast } from '../kit';

export function Household({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const [adding, setAdding] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const after = () => void queries.invalidateQueries();
  const join = useMutation({
    mutationFn: (other: { id: string; name: string }) =>
      ask('PUT /contacts/{id}/household', { params: { id: contact.id }, body: { other_id: other.id } }),
    onSuccess: (_, other) => {
      setAdding(false);
      after();
      toast.tell(`${other.name} added to the household.`, () => leave.mutate(other));
    },
    onError: toast.fail,
  });
  const leave = useMutation({
    mutationFn: ({ id }: { id: string; name: string }) => ask('DELETE /contacts/{id}/household', { params: { id } }),
    onSuccess: (_, other) => {
      after();
      toast.tell(`${other.name} removed from the household.`, () => join.mutate(other));
    },
    onError: toast.fail,
  });
  if (readOnly && !contact.household.length) return null;
  return (
    <section aria-label="Household">
      <h2>Household</h2>
      {contact.household.map((one) => (
        <div key={one.id} className="small line">
          <Link href={`/contacts/${one.id}`} prefetch={false}>
            {one.name}
          </Link>
          {!readOnly && (
            <Button
              size="small"
              style={{ padding: '0 7px' }}
              aria-label={`Take ${one.name} from the household`}
              onClick={() => leave.mutate(one)}
            >
              Remove
            </Button>
          )}
        </div>
      ))}
      {!readOnly && !adding && (
        <Button look="text" className="small" onClick={() => setAdding(true)}>
          {contact.household.length ? 'Add another' : 'Add spouse or partner'}
        </Button>
      )}
      {adding && (
        <Find
          without={[contact.id, ...contact.household.map(({ id }) => id)]}
          onPick={join.mutate}
          onClose={() => setAdding(false)}
        />
      )}
    </section>
  );
}

/** The Dossier scrolls; what was found below its edge comes into sight. */
const intoSight = (list: HTMLElement | null) => list?.scrollIntoView({ block: 'nearest' });

function Find({
  without,
  onPick,
  onClose,
}: {
  without: string[];
  onPick: (other: { id: string; name: string }) => void;
  onClose: () => void;
}) {
  const [q, setQ] = useState('');
  const { data } = useQuery({
    queryKey: ['household', 'find', q],
    queryFn: async () => (await ask('GET /contacts', { query: { limit: 6, q } })).items,
    enabled: q.trim().length > 1,
  });
  const found = data?.filter(({ id }) => !without.includes(id)) ?? [];
  return (
    <div>
      <Input
        autoFocus
        width="100%"
        aria-label="Who shares the household"
        placeholder="Name, email or phone"
        value={q}
        onChange={(event) => setQ(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && found[0]) onPick({ id: found[0].id, name: nameOf(found[0]) });
          else if (event.key === 'Escape') onClose();
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      />
      {found.length > 0 && (
        <div className="found" ref={intoSight}>
          {found.map((one) => (
            <BareButton key={one.id} onClick={() => onPick({ id: one.id, name: nameOf(one) })}>
              {nameOf(one)} <span className="soft">{[one.place.street, one.place.city].filter(Boolean).join(', ')}</span>
            </BareButton>
          ))}
        </div>
      )}
      {q.trim().length > 1 && data && !found.length && <p className="soft small">No matches.</p>}
    </div>
  );
}
