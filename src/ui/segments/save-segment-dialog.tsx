'use client';
/** Keeping what the sentence says under a name, for oneself or for the team. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Tree } from '@/core/segments';
import { ask, freshKey } from '../primitives';
import type { Segment } from './vocabulary';
import { Checkbox, FormEnd, useToast } from '../kit';

export function SaveSegmentDialog({
  tree,
  suggestion,
  onClose,
  onSaved: onKept,
}: {
  tree: Tree;
  suggestion: string;
  onClose: () => void;
  onSaved: (segment: Segment) => void;
}) {
  const [name, setName] = useState(suggestion);
  const [team, setTeam] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () => ask('POST /segments', { body: { name, tree, team }, headers: freshKey() }),
    onSuccess: (segment) => {
      void queries.invalidateQueries({ queryKey: ['segments'] });
      toast.tell(`“${segment.name}” pinned to your shelf.`);
      onKept(segment);
    },
    onError: toast.fail,
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="keep-title" fullWidth maxWidth="xs">
      <form
        className="dialog"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <h1 id="keep-title">Save as a segment</h1>
        <TextField
          autoFocus
          label="Name"
          value={name}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <label className="choice">
          <Checkbox checked={team} onChange={(event) => setTeam(event.target.checked)} /> Share with the team (each sees their own
          contacts)
        </label>
        <FormEnd does="Save" busy={save.isPending} may={Boolean(name.trim())} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
