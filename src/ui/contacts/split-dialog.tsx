'use client';
/** A contact that holds two people becomes two: who the other one is, and which phones, emails and tags are theirs. */
import { useQueryClient } from '@tanstack/react-query';
import { ask, freshKey } from '../primitives';
import { CheckboxesFormField, CheckboxFormField, Columns, FormDialog, Text, TextFormField, useSaveForm, useToast } from '../kit';
import { addressText } from './address-words';
import { nameOf, type ContactInFull } from './types';

export function SplitDialog({ contact, onClose }: { contact: ContactInFull; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const { phones, emails } = contact.addresses;
  const undo = (otherId: string) =>
    void ask('POST /contacts/{id}/merge', {
      params: { id: contact.id },
      body: { other_id: otherId, choices: {} },
      headers: freshKey(),
    }).then(() => queries.invalidateQueries(), toast.fail);
  const form = useSaveForm({
    values: {
      first_name: '',
      last_name: contact.last_name,
      phones: [] as string[],
      emails: [] as string[],
      tags: [] as string[],
      home: true,
      household: true,
    },
    save: (values) =>
      ask('POST /contacts/{id}/split', {
        params: { id: contact.id },
        body: { ...values, activities: [] },
        headers: freshKey(),
      }),
    onSaved: (other) => {
      void queries.invalidateQueries();
      toast.tell(`${nameOf(other)} is a contact of their own now.`, () => undo(other.id));
      onClose();
    },
  });
  const options = (list: typeof phones) => list.map((one) => ({ value: one.value, label: addressText(one) }));
  return (
    <FormDialog title={`Split ${nameOf(contact)}`} form={form} does="Split" onClose={onClose}>
      <Text as="p" tone="soft">
        Who else is in this contact? Calls and messages follow their phone or email. You can undo this.
      </Text>
      <Columns least={190}>
        <TextFormField name="first_name" label="First name" autoFocus />
        <TextFormField name="last_name" label="Last name" />
      </Columns>
      {phones.length > 0 && <CheckboxesFormField name="phones" label="Their phones" options={options(phones)} />}
      {emails.length > 0 && <CheckboxesFormField name="emails" label="Their emails" options={options(emails)} />}
      {contact.tags.length > 0 && (
        <CheckboxesFormField
          name="tags"
          label="Tags they get too"
          options={contact.tags.map((name) => ({ value: name, label: name }))}
        />
      )}
      <CheckboxFormField name="home" label="They live at the same address" />
      <CheckboxFormField name="household" label="They share a household" />
    </FormDialog>
  );
}
