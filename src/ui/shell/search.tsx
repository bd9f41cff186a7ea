'use client';
/** Search and commands in one place: people by name, e-mail, phone in any spelling, town or tag; areas by their name. */
import { useDeferredValue, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import { areasFor, type Role } from '@/core/accounts';
import { showPhone } from '@/core/capture';
import { ask, Strokes } from '../primitives';
import { nameOf, type Contact } from '../contacts';
import { Combo, Row, Text, type ComboOption } from '../kit';

/** @param first what was typed before it was here */
export function SearchBox({ first, onClose, role }: { first: string; onClose: () => void; role: Role }) {
  const router = useRouter();
  const [text, setText] = useState(first);
  const q = useDeferredValue(text.trim());
  const found = useQuery({
    queryKey: ['search', q],
    queryFn: () => ask('GET /contacts', { query: { limit: 8, q } }),
    enabled: q.length > 0,
    placeholderData: (before) => before,
  });
  const people: ComboOption[] = q
    ? (found.data?.items ?? []).map((contact) => ({
        value: `/contacts?contact=${contact.id}`,
        name: nameOf(contact),
        look: <Person contact={contact} />,
        group: 'Contacts',
      }))
    : [];
  const areas: ComboOption[] = areasFor({ role })
    .filter((area) => !q || area.name.toLowerCase().startsWith(q.toLowerCase()))
    .map((area) => ({ value: area.path, name: `Go to ${area.name}`, note: `g ${area.letter}`, group: 'Areas' }));
  return (
    <Combo
      autoFocus
      label="Search contacts or go to an area"
      placeholder="Name, email, phone, city, or tag"
      typed={text}
      onType={setText}
      onClose={onClose}
      options={[...people, ...areas]}
      empty={q && !found.isFetching ? `No matches for “${q}”.` : 'Searching…'}
      onPick={(href) => {
        onClose();
        router.push(href);
      }}
    />
  );
}

function Person({ contact }: { contact: Contact }) {
  const detail = [contact.stage.name, contact.place.city, contact.phones[0] && showPhone(contact.phones[0]), contact.emails[0]];
  return (
    <Row spread wrap={false} gap={3} grow>
      <Text cut>
        <Text strong>{nameOf(contact)}</Text>{' '}
        <Text tone="soft" small secret>
          {detail.filter(Boolean).join(' · ')}
        </Text>
      </Text>
      <Strokes horizon={contact.horizon} />
    </Row>
  );
}
