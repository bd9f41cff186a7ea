'use client';
/** Adding a lead by hand: few fields, a way to reach the person, what they permit. What was typed stays when something is wrong, or on a reload. */
import { capitalized } from '@/core/shared';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, ROLE_NAMES, type ContactRole } from '@/core/contacts';
import { ask, freshKey } from '../primitives';
import {
  CheckboxFormField,
  Columns,
  FormDialog,
  SelectFormField,
  Stack,
  TextareaFormField,
  TextFormField,
  TypedFormField,
  useSaveForm,
  useToast,
} from '../kit';

const EMPTY = {
  first_name: '',
  last_name: '',
  phone: null as string | null,
  email: '',
  role: 'buyer' as ContactRole,
  city: '',
  message: '',
  text: false,
  email_ok: false,
  on_the_phone: false,
};
/** Where an error of the server stands, when its field is not called as ours. */
const FIELDS: Record<string, keyof typeof EMPTY> = {
  'person.emails.0': 'email',
  'person.phones.0': 'phone',
  person: 'phone',
};

export function AddLeadDialog({ onClose }: { onClose: () => void }) {
  const [key] = useState(freshKey);
  const router = useRouter();
  const toast = useToast();
  const queries = useQueryClient();
  const lead = useSaveForm({
    values: EMPTY,
    draft: 'new_lead',
    fieldOf: (field) => FIELDS[field],
    save: ({ first_name, last_name, phone, email, role, city, message, text, email_ok, on_the_phone }) =>
      ask('POST /inquiries', {
        body: {
          person: { first_name, last_name, emails: [email].filter(Boolean), phones: phone ? [phone] : [] },
          roles: [role],
          source: 'Added by hand',
          message: message || null,
          place: { city: city || null },
          permissions: { ...(text ? { text: true, call: true } : {}), ...(email_ok ? { email: true } : {}) },
          on_the_phone,
        },
        headers: key,
      }),
    onSaved: ({ contact, routing }) => {
      void queries.invalidateQueries();
      toast.tell(`${contact.id ? `${contact.because ?? 'Added.'} ` : ''}${routing.because}`);
      onClose();
      if (contact.id) router.push(`/contacts?contact=${contact.id}`);
    },
  });
  return (
    <FormDialog title="Add a lead" width="sm" form={lead} does="Add lead" onClose={onClose}>
      <Columns least={200}>
        <TextFormField name="first_name" label="First name" autoFocus />
        <TextFormField name="last_name" label="Last name" />
        <TypedFormField is="phone" name="phone" label="Phone" width="100%" />
        <TextFormField name="email" label="Email" inputMode="email" />
        <SelectFormField name="role" label="Role">
          {CONTACT_ROLES.map((role) => (
            <option key={role} value={role}>
              {capitalized(ROLE_NAMES[role])}
            </option>
          ))}
        </SelectFormField>
        <TextFormField name="city" label="City" />
      </Columns>
      <TextareaFormField name="message" label="What they asked about" rows={2} />
      <Stack gap={0}>
        <CheckboxFormField name="text" label="They agreed to calls and texts" />
        <CheckboxFormField name="email_ok" label="They agreed to emails" />
        <CheckboxFormField name="on_the_phone" label="I’m on the phone with them now (don’t start a campaign)" />
      </Stack>
    </FormDialog>
  );
}
