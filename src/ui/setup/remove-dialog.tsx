'use client';
/** Taking a word away (a tag, a stage, a horizon): where its people go is asked here; it goes on in the background and can be undone. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useChangeWatch } from '../changes';
import { Button, Select, useToast } from '../kit';

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
  const words = `${people.toLocaleString('en-US')} ${people === 1 ? 'person' : 'people'}`;
  return (
    <Dialog open onClose={onClose} aria-label={`Remove ${name}`} fullWidth maxWidth="xs">
      <form
        className="dialog"
        onSubmit={(event) => {
          event.preventDefault();
          remove.mutate();
        }}
      >
        <h1>Remove “{name}”</h1>
        <label>
          Its {words}:{' '}
          <Select autoFocus value={by} onChange={(event) => setBy(event.target.value)}>
            <option value="">{none ?? 'choose where they go'}</option>
            {others.map((other) => (
              <option key={other.key} value={other.key}>
                {instead(other.name)}
              </option>
            ))}
          </Select>
        </label>
        <div className="line">
          <Button type="submit" look="warn" disabled={remove.isPending || (!none && !by)}>
            {!none && !by ? `Move ${words}` : button(words, others.find(({ key }) => key === by)?.name ?? null)}
          </Button>
          <Button onClick={onClose}>Cancel</Button>
          <span className="soft small">You can undo this.</span>
        </div>
      </form>
    </Dialog>
  );
}
