'use client';
/** Where a contact's letters go, and the property they have to do with: one line, changed in a small form where it stands. */
import { useState } from 'react';
import { Pencil } from 'lucide-react';
import type { PlaceView } from '@/core/contacts';
import { BareButton, Columns, FactLine, Text, TextFormField, useSaveForm, useToast } from '../kit';
import { FormInPlace } from './form-in-place';
import { useSaveFact } from './in-place';
import type { ContactInFull } from './types';

type PlaceKind = 'mailing' | 'property';
const shown = (place: PlaceView | null): string =>
  [place?.street, place?.city, [place?.region, place?.postal_code].filter(Boolean).join(' ')].filter(Boolean).join(', ');

export function PlaceLine({
  contact,
  of,
  label,
  readOnly,
}: {
  contact: ContactInFull;
  of: PlaceKind;
  label: string;
  readOnly: boolean;
}) {
  const [open, setOpen] = useState(false);
  const text = shown(contact[of]);
  if (readOnly) return text ? <FactLine label={label}>{text}</FactLine> : null;
  if (open) return <PlaceForm contact={contact} of={of} label={label} onClose={() => setOpen(false)} />;
  return (
    <FactLine label={label}>
      <BareButton title={`Change: ${label}`} onClick={() => setOpen(true)}>
        {text ? <Text secret>{text}</Text> : <Text tone="soft">{of === 'mailing' ? 'Same as home' : 'Add'}</Text>}
        <Pencil size={12} aria-hidden="true" />
      </BareButton>
    </FactLine>
  );
}

function PlaceForm({
  contact,
  of,
  label,
  onClose,
}: {
  contact: ContactInFull;
  of: PlaceKind;
  label: string;
  onClose: () => void;
}) {
  const save = useSaveFact(contact);
  const toast = useToast();
  const before = contact[of];
  const form = useSaveForm({
    values: {
      street: before?.street ?? '',
      city: before?.city ?? '',
      region: before?.region ?? '',
      postal_code: before?.postal_code ?? '',
    },
    save: (place) => save({ [of]: Object.values(place).some((part) => part.trim()) ? place : null }),
    onSaved: () => {
      toast.tell(
        of === 'mailing' ? 'Mailing address saved.' : 'Property saved.',
        () => void save({ [of]: before }).catch(toast.fail),
      );
      onClose();
    },
  });
  return (
    <FormInPlace label={label} form={form} onClose={onClose}>
      <Text tone="soft" small>
        {of === 'mailing'
          ? 'Letters go here. Leave it empty to send them home.'
          : 'A property they own or are selling. Letters don’t go here.'}
      </Text>
      <Columns least={150}>
        <TextFormField name="street" label="Street" autoFocus />
        <TextFormField name="city" label="City" />
        <TextFormField name="region" label="State" />
        <TextFormField name="postal_code" label="ZIP" />
      </Columns>
    </FormInPlace>
  );
}
