'use client';
/** Taking a word away (a tag, a stage, a horizon): where its people go is asked here; it goes on in the background and can be undone. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useChangeWatch } from '../changes';
import { useFormat } from '../primitives';
import { Dialog, Field, Select, Text, useToast } from '../kit';

interface Props {
  name: string;
  /** Takes it away. @param by what takes its place */
  remove: (by?: string) => Promise<{ id: string }>;
  people: number;
  /** What may take its place; without `none` one of them must. */
  others: { key: string; name: string }[];
  none?: string;
  /** How it is said what they do: `get “Choir” instead`, `move to “Talking”`. */
  instead: (name: string) => string;
  /** What the button says. @param to the name of what takes its place */
  button: (people: string, to: string | null) => string;
  onClose: () => void;
}

export function RemoveDialog({ name, remove: takeAway, people, others, none, instead, button, onClose }: Props) {
  const format = useFormat();
  const [by, setBy] = useState('');
  const { watch } = useChangeWatch();
  const queries = useQueryClient();
  const toast = useToast();
  const remove = useMutation({
    mutationFn: () => takeAway(by || undefined),
    onSuccess: ({ id }) => {
      watch(id);
      void queries.invalidateQueries();
      onClose();
    },
    onError: toast.fail,
  });
  const words = `${format.number(people)} ${people === 1 ? 'person' : 'people'}`;
  return (
    <Dialog
      title={`Remove “${name}”`}
      onClose={onClose}
      onSubmit={() => remove.mutate()}
      does={!none && !by ? `Move ${words}` : button(words, others.find(({ key }) => key === by)?.name ?? null)}
      warn
      busy={remove.isPending}
      may={Boolean(none || by)}
      note={
        <Text tone="soft" small>
          You can undo this.
        </Text>
      }
    >
      <Field label={`Its ${words}`}>
        {(control) => (
          <Select {...control} autoFocus value={by} onChange={(event) => setBy(event.target.value)}>
            <option value="">{none ?? 'choose where they go'}</option>
            {others.map((other) => (
              <option key={other.key} value={other.key}>
                {instead(other.name)}
              </option>
            ))}
          </Select>
        )}
      </Field>
    </Dialog>
  );
}
