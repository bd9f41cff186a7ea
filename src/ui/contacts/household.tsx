'use client';
/** Who shares a household with a contact: joined by finding somebody, left by a click, both undoable. */
import { useState } from 'react';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { nameOf, type ContactInFull } from './types';
import { Button, Combo, LinkButton, ListLine, Section, Text, useToast } from '../kit';

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
    <Section
      title="Household"
      end={
        !readOnly &&
        !adding && (
          <Button size="tiny" onClick={() => setAdding(true)}>
            {contact.household.length ? 'Add another' : 'Add spouse or partner'}
          </Button>
        )
      }
    >
      {contact.household.map((one) => (
        <ListLine
          key={one.id}
          end={
            !readOnly && (
              <Button size="tiny" aria-label={`Remove ${one.name} from the household`} onClick={() => leave.mutate(one)}>
                Remove
              </Button>
            )
          }
        >
          <LinkButton look="link" href={`/contacts/${one.id}`}>
            {one.name}
          </LinkButton>
        </ListLine>
      ))}
      {!contact.household.length && !adding && (
        <Text tone="soft" small>
          No one else in this household.
        </Text>
      )}
      {adding && (
        <FindContact
          without={[contact.id, ...contact.household.map(({ id }) => id)]}
          onPick={join.mutate}
          onClose={() => setAdding(false)}
        />
      )}
    </Section>
  );
}

/** Finding a contact by name, email or phone. */
function FindContact({
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
    placeholderData: keepPreviousData,
  });
  const found = data?.filter(({ id }) => !without.includes(id)) ?? [];
  return (
    <Combo
      label="Who shares the household"
      placeholder="Name, email or phone"
      empty={q.trim().length < 2 ? 'Type a name, email or phone' : 'No matches'}
      autoFocus
      typed={q}
      onType={setQ}
      onClose={onClose}
      options={found.map((one) => ({
        value: one.id,
        name: nameOf(one),
        note: [one.place.street, one.place.city].filter(Boolean).join(', '),
      }))}
      onPick={(id) => {
        const one = found.find((other) => other.id === id);
        if (one) onPick({ id, name: nameOf(one) });
      }}
    />
  );
}
