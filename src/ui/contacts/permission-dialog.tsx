'use client';
/** What a person says to a channel, with its evidence: a yes only with how it was given. */
import { useQueryClient } from '@tanstack/react-query';
import { capitalized } from '@/core/shared';
import { CHANNELS, type Channel } from '@/core/contacts';
import { ask } from '../primitives';
import { FormDialog, RadioFormField, TextFormField, useSaveForm, useToast } from '../kit';
import type { ContactInFull } from './types';

export function PermissionDialog({
  contact,
  channel,
  onClose,
}: {
  contact: ContactInFull;
  channel: Channel;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const toast = useToast();
  const channels = capitalized(CHANNELS[channel].plural);
  const said = useSaveForm({
    values: { state: contact.permissions[channel] === 'granted' ? 'withdrawn' : 'granted', evidence: '' },
    save: ({ state, evidence }) =>
      ask('PUT /contacts/{id}/permissions', {
        params: { id: contact.id },
        body: { channel, state: state === 'granted' ? 'granted' : 'withdrawn', evidence },
      }),
    onSaved: () => {
      toast.tell(`${channels}: ${state === 'granted' ? 'yes' : 'no'}, recorded.`);
      void queries.invalidateQueries();
      onClose();
    },
  });
  const { state, evidence } = said.form.watch();
  return (
    <FormDialog
      title={`${channels} to ${contact.first_name || 'them'}`}
      form={said}
      does="Record"
      may={state !== 'granted' || evidence.trim() !== ''}
      onClose={onClose}
    >
      <RadioFormField
        name="state"
        label="What they said"
        options={[
          { value: 'granted', name: 'They said yes' },
          { value: 'withdrawn', name: 'They said no' },
        ]}
      />
      <TextFormField
        name="evidence"
        label={state === 'granted' ? 'How and where they said it' : 'How and where, if you know'}
        autoFocus
        maxLength={500}
      />
    </FormDialog>
  );
}
