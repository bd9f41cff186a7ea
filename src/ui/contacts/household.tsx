'use client';
/** Who shares a household with a contact: joined by finding somebody or typing a name that is new, left by a click, all undoable. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, freshKey } from '../primitives';
import { FindContact } from './find-contact';
import { nameOf, type ContactInFull } from './types';
import { Button, LinkButton, ListLine, Section, Text, useToast } from '../kit';

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
  const takeBack = useMutation({
    mutationFn: (other_id: string) =>
      ask('POST /contacts/{id}/merge', { params: { id: contact.id }, body: { other_id, choices: {} }, headers: freshKey() }),
    onSuccess: after,
    onError: toast.fail,
  });
  const add = useMutation({
    mutationFn: (name: string) => {
      const [first_name = '', ...rest] = name.trim().split(/\s+/);
      return ask('POST /contacts/{id}/split', {
        params: { id: contact.id },
        body: { first_name, last_name: rest.join(' ') || contact.last_name },
        headers: freshKey(),
      });
    },
    onSuccess: (other) => {
      setAdding(false);
      after();
      const name = nameOf(other);
      toast.tell(`${name} added as a new contact in the household.`, () => takeBack.mutate(other.id));
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
          label="Who shares the household"
          onNew={add.mutate}
          without={[contact.id, ...contact.household.map(({ id }) => id)]}
          onPick={join.mutate}
          onClose={() => setAdding(false)}
        />
      )}
    </Section>
  );
}
