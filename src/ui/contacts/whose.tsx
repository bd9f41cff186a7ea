'use client';
/** Whose a message was, when several people have the phone or email it came from. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { Button, Row, Text, useToast } from '../kit';
import { addressText } from './address-words';
import { nameOf, useContact, type TimelineLine } from './types';

export function Whose({ line, contactId }: { line: TimelineLine; contactId: string }) {
  const contact = useContact(contactId);
  const queries = useQueryClient();
  const toast = useToast();
  const say = useMutation({
    mutationFn: ({ id }: { id: string; name: string }) =>
      ask('PUT /activities/{id}/whose', { params: { id: line.id }, body: { contact_id: id } }),
    onSuccess: (_, { id, name }) => {
      void queries.invalidateQueries();
      if (id === contactId) toast.tell(`Kept with ${name}.`);
      else toast.tell(`Moved to ${name}.`, () => say.mutate({ id: contactId, name: contact.data ? nameOf(contact.data) : '' }));
    },
    onError: toast.fail,
  });
  if (!contact.data) return null;
  const from = line.data.from ?? '';
  const { phones, emails } = contact.data.addresses;
  const others = [...phones, ...emails].find(({ value }) => value === from)?.shared_with ?? [];
  if (!others.length) return null;
  const people = [
    { id: contactId, name: nameOf(contact.data) },
    ...others.map(({ id, name }) => ({ id, name: name || 'No name' })),
  ];
  return (
    <Row role="group" aria-label="Whose message is this?" gap={1} above={1}>
      <Text small>More than one contact has {addressText({ value: from, extension: null })}. Who wrote this?</Text>
      {people.map((person) => (
        <Button key={person.id} size="tiny" disabled={say.isPending} onClick={() => say.mutate(person)}>
          {person.name}
        </Button>
      ))}
    </Row>
  );
}
