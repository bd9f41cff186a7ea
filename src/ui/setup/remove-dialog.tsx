'use client';
/** Taking a word away (a tag, a stage, a horizon): where its people go is asked here; it goes on in the background and can be undone. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useChangeWatch } from '../changes';
import { ask, useNotices } from '../primitives';

interface Props {
  /** Its name, and the address below the API that takes it away. */
  name: string;
  path: string;
  people: number;
  /** What may take its place; without `none` one of them must. */
  others: { key: string; name: string }[];
  none?: string;
  /** What the button says. @param to the name of what takes its place */
  button: (people: string, to: string | null) => string;
  onClose: () => void;
}

export function RemoveDialog({ name, path, people, others, none, button, onClose }: Props) {
  const [by, setBy] = useState(none ? '' : (others[0]?.key ?? ''));
  const { watch } = useChangeWatch();
  const queries = useQueryClient();
  const notices = useNotices();
  const remove = useMutation({
    mutationFn: () =>
      ask<{ id: string }>(
        `${path}${by ? `${path.includes('?') ? '&' : '?'}replace_by=${encodeURIComponent(by)}` : ''}`,
        'DELETE',
      ),
    onSuccess: ({ id }) => {
      watch(id);
      void queries.invalidateQueries();
      onClose();
    },
    onError: notices.fail,
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
          <select autoFocus value={by} onChange={(event) => setBy(event.target.value)}>
            {none && <option value="">{none}</option>}
            {others.map((other) => (
              <option key={other.key} value={other.key}>
                get “{other.name}” instead
              </option>
            ))}
          </select>
        </label>
        <div className="line">
          <button type="submit" className="act warn" disabled={remove.isPending}>
            {button(words, others.find(({ key }) => key === by)?.name ?? null)}
          </button>
          <button type="button" className="act" onClick={onClose}>
            Cancel
          </button>
          <span className="soft small">It can be undone.</span>
        </div>
      </form>
    </Dialog>
  );
}
