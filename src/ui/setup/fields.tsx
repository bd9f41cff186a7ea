'use client';
/** The account's own fields: made, renamed, their choices, deleted with what was written in them, which can be undone. */
import { useState } from 'react';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { FIELD_KINDS, type FieldKind } from '@/core/segments';
import { useChangeWatch } from '../changes';
import { ask, freshKey } from '../primitives';
import { Block } from './block';
import { Button, ErrorMessage, Select, useToast } from '../kit';

const KIND_NAMES: Record<FieldKind, string> = {
  text: 'words',
  number: 'a number',
  money: 'money',
  date: 'a day',
  yearly: 'yearly date',
  choice: 'one of several choices',
  choices: 'several choices',
  flag: 'yes or no',
  contact: 'link to a contact',
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
  const [name, setName] = useState('');
  const [kind, setKind] = useState<FieldKind>('text');
  const [choices, setChoices] = useState('');
  const after = () => {
    void queries.invalidateQueries({ queryKey: ['fields'] });
    void queries.invalidateQueries({ queryKey: ['vocabulary'] });
  };
  const make = useMutation({
    mutationFn: () => ask('POST /fields', { body: { name, kind, choices: listed(choices) }, headers: freshKey() }),
    onSuccess: () => {
      setName('');
      setChoices('');
      after();
    },
  });
  const change = useMutation({
    mutationFn: ({ id, ...patch }: { id: string; name?: string; choices?: string[] }) =>
      ask('PATCH /fields/{id}', { params: { id }, body: patch }),
    onSuccess: after,
    onError: toast.fail,
  });
  const { watch } = useChangeWatch();
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /fields/{id}', { params: { id } }),
    onSuccess: ({ id }) => {
      watch(id);
      after();
    },
    onError: toast.fail,
  });
  const withChoices = kind === 'choice' || kind === 'choices';
  return (
    <Block
      title="Custom fields"
      note="For anything stages, horizons, roles, and tags can’t hold. They show up in the grid, segments, imports, and exports."
    >
      {fields?.map((field) => (
        <div key={field.id} className="pair">
          <span>
            <b>{field.name}</b> <span className="soft small">{KIND_NAMES[field.kind]}</span>
            <span className="soft small" style={{ display: 'block' }}>
              {field.choices.length > 0 && `${field.choices.join(', ')} · `}
              {field.uses.toLocaleString('en-US')} {field.uses === 1 ? 'person' : 'people'}
            </span>
          </span>
          <span style={{ display: 'flex', gap: 6 }}>
            <Button
              size="small"
              onClick={() => {
                const next = window.prompt('Field name', field.name);
                if (next?.trim()) change.mutate({ id: field.id, name: next });
              }}
            >
              Rename
            </Button>
            {field.choices.length > 0 && (
              <Button
                size="small"
                onClick={() => {
                  const next = window.prompt('Choices, separated by commas', field.choices.join(', '));
                  if (next) change.mutate({ id: field.id, choices: listed(next) });
                }}
              >
                Choices
              </Button>
            )}
            <Button size="small" onClick={() => remove.mutate(field.id)}>
              Delete
            </Button>
          </span>
        </div>
      ))}
      <form
        style={{ display: 'grid', gap: 8, marginTop: 12 }}
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <div style={{ display: 'flex', gap: 8 }}>
          <TextField
            label="New field name"
            value={name}
            onChange={(event) => setName(event.target.value)}
            fullWidth
            slotProps={{ htmlInput: { maxLength: 60 } }}
          />
          <Select aria-label="Kind" value={kind} onChange={(event) => setKind(event.target.value as FieldKind)}>
            {FIELD_KINDS.map((one) => (
              <option key={one} value={one}>
                {KIND_NAMES[one]}
              </option>
            ))}
          </Select>
        </div>
        {withChoices && (
          <TextField label="Choices, separated by commas" value={choices} onChange={(event) => setChoices(event.target.value)} />
        )}
        <ErrorMessage error={make.error} />
        <div>
          <Button type="submit" disabled={!name.trim() || make.isPending}>
            Add field
          </Button>
        </div>
      </form>
    </Block>
  );
}
