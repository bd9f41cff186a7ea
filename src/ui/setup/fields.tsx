'use client';
/** The account's own fields: made, renamed, their choices, deleted with what was written in them, which can be undone. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { FIELD_KINDS, type FieldKind } from '@/core/segments';
import { useChangeWatch } from '../changes';
import { ask, freshKey, useFormat, type ApiAnswer } from '../primitives';
import { Block } from './block';
import { Button, FormDialog, InlineForm, ListLine, SelectFormField, Text, TextFormField, useSaveForm, useToast } from '../kit';

type OwnField = ApiAnswer<'GET /fields'>['items'][number];

const KIND_NAMES: Record<FieldKind, string> = {
  text: 'Text',
  number: 'Number',
  money: 'Money',
  date: 'Date',
  yearly: 'Yearly date',
  choice: 'One of several choices',
  choices: 'Several choices',
  flag: 'Yes or no',
  contact: 'Link to a contact',
};
const listed = (text: string): string[] =>
  text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);

export function Fields() {
  const { data: fields } = useQuery({
    queryKey: ['fields'],
    queryFn: async () => (await ask('GET /fields')).items,
  });
  const queries = useQueryClient();
  const toast = useToast();
  const format = useFormat();
  const [editing, setEditing] = useState<OwnField | null>(null);
  const heard = () => {
    void queries.invalidateQueries({ queryKey: ['fields'] });
    void queries.invalidateQueries({ queryKey: ['vocabulary'] });
  };
  const { watch } = useChangeWatch();
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /fields/{id}', { params: { id } }),
    onSuccess: ({ id }) => {
      watch(id);
      heard();
    },
    onError: toast.fail,
  });
  return (
    <Block
      title="Custom fields"
      note="For anything stages, horizons, roles, and tags can’t hold. They show up in the grid, segments, imports, and exports."
    >
      {fields?.map((field) => (
        <ListLine
          key={field.id}
          end={
            <>
              <Button size="small" aria-label={`Edit ${field.name}`} onClick={() => setEditing(field)}>
                Edit
              </Button>
              <Button size="small" aria-label={`Delete ${field.name}`} onClick={() => remove.mutate(field.id)}>
                Delete
              </Button>
            </>
          }
        >
          <Text strong>{field.name}</Text>{' '}
          <Text tone="soft" small>
            {KIND_NAMES[field.kind]}
          </Text>
          <Text tone="soft" small block>
            {field.choices.length > 0 && `${field.choices.join(', ')} · `}
            {format.count(field.uses, 'person', 'people')}
          </Text>
        </ListLine>
      ))}
      <NewField onMade={heard} />
      {editing && <FieldDialog field={editing} onSaved={heard} onClose={() => setEditing(null)} />}
    </Block>
  );
}

const NO_FIELD: { name: string; kind: FieldKind; choices: string } = { name: '', kind: 'text', choices: '' };
function NewField({ onMade }: { onMade: () => void }) {
  const field = useSaveForm({
    values: NO_FIELD,
    save: ({ name, kind, choices }) =>
      ask('POST /fields', { body: { name, kind, choices: listed(choices) }, headers: freshKey() }),
    onSaved: onMade,
  });
  const { name, kind } = field.form.watch();
  return (
    <InlineForm form={field} does="Add field" may={name.trim() !== ''}>
      <TextFormField name="name" label="New field name" maxLength={60} />
      <SelectFormField name="kind" label="Holds">
        {FIELD_KINDS.map((one) => (
          <option key={one} value={one}>
            {KIND_NAMES[one]}
          </option>
        ))}
      </SelectFormField>
      {(kind === 'choice' || kind === 'choices') && <TextFormField name="choices" label="Choices, separated by commas" />}
    </InlineForm>
  );
}

/** Its name, and its choices where it has some. */
function FieldDialog({ field, onSaved, onClose }: { field: OwnField; onSaved: () => void; onClose: () => void }) {
  const edit = useSaveForm({
    values: { name: field.name, choices: field.choices.join(', ') },
    save: ({ name, choices }) =>
      ask('PATCH /fields/{id}', {
        params: { id: field.id },
        body: { name, ...(field.choices.length ? { choices: listed(choices) } : {}) },
      }),
    onSaved: () => {
      onSaved();
      onClose();
    },
  });
  return (
    <FormDialog title="Edit field" form={edit} onClose={onClose}>
      <TextFormField name="name" label="Name" autoFocus maxLength={60} />
      {field.choices.length > 0 && <TextFormField name="choices" label="Choices, separated by commas" />}
    </FormDialog>
  );
}
