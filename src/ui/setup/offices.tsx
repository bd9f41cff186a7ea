'use client';
/** The offices: added, renamed, and removed once nobody works there. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { OfficeView } from '@/core/accounts';
import { ask, freshKey, useFormat } from '../primitives';
import { Button, FormDialog, InlineForm, ListLine, Text, TextFormField, useSaveForm, useToast } from '../kit';
import { Block } from './block';

export function Offices() {
  const queries = useQueryClient();
  const toast = useToast();
  const format = useFormat();
  const [renaming, setRenaming] = useState<OfficeView | null>(null);
  const { data: offices = [] } = useQuery({ queryKey: ['offices'], queryFn: async () => (await ask('GET /offices')).items });
  const heard = () => {
    void queries.invalidateQueries({ queryKey: ['offices'] });
    void queries.invalidateQueries({ queryKey: ['users'] });
  };
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /offices/{id}', { params: { id } }),
    onSuccess: () => {
      toast.tell('Removed.');
      heard();
    },
    onError: toast.fail,
  });
  const added = useSaveForm({
    values: { name: '' },
    save: ({ name }) => ask('POST /offices', { body: { name }, headers: freshKey() }),
    onSaved: heard,
  });
  return (
    <Block title="Offices" note="A caller with an office sees that office’s contacts.">
      {offices.map((office) => (
        <ListLine
          key={office.id}
          end={
            <>
              <Text tone="soft">
                {format.number(office.users)} {office.users === 1 ? 'user' : 'users'}
              </Text>
              <Button size="tiny" aria-label={`${office.name}: rename`} onClick={() => setRenaming(office)}>
                Rename
              </Button>
              <Button size="tiny" aria-label={`${office.name}: remove`} onClick={() => remove.mutate(office.id)}>
                Remove
              </Button>
            </>
          }
        >
          {office.name}
        </ListLine>
      ))}
      <InlineForm form={added} does="Add office" may={added.form.watch('name').trim() !== ''}>
        <TextFormField name="name" label="New office" maxLength={80} />
      </InlineForm>
      {renaming && (
        <RenameDialog
          key={renaming.id}
          office={renaming}
          onSaved={() => {
            setRenaming(null);
            heard();
          }}
          onClose={() => setRenaming(null)}
        />
      )}
    </Block>
  );
}

function RenameDialog({ office, onSaved, onClose }: { office: OfficeView; onSaved: () => void; onClose: () => void }) {
  const form = useSaveForm({
    values: { name: office.name },
    save: ({ name }) => ask('PATCH /offices/{id}', { params: { id: office.id }, body: { name } }),
    onSaved,
  });
  return (
    <FormDialog
      title={`Rename ${office.name}`}
      form={form}
      does="Save"
      may={form.form.watch('name').trim() !== ''}
      onClose={onClose}
    >
      <TextFormField name="name" label="Name" autoFocus maxLength={80} />
    </FormDialog>
  );
}
