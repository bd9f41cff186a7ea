'use client';
/** Saving what the sentence says under a name, for oneself or for the team; or giving a saved one another name. */
import { useQueryClient } from '@tanstack/react-query';
import type { Tree } from '@/core/segments';
import { ask, freshKey } from '../primitives';
import { CheckboxFormField, FormDialog, TextFormField, useSaveForm, useToast } from '../kit';
import type { Segment } from './vocabulary';

export function SaveSegmentDialog({
  tree,
  suggestion,
  renaming,
  onClose,
  onSaved,
}: {
  tree: Tree;
  suggestion: string;
  /** The saved one whose name or sharing is changed. */
  renaming?: Segment;
  onClose: () => void;
  onSaved: (segment: Segment) => void;
}) {
  const queries = useQueryClient();
  const toast = useToast();
  const segment = useSaveForm({
    values: { name: renaming?.name ?? suggestion, team: renaming?.team ?? false },
    save: ({ name, team }) =>
      renaming
        ? ask('PATCH /segments/{id}', { params: { id: renaming.id }, body: { name, team } })
        : ask('POST /segments', { body: { name, tree, team }, headers: freshKey() }),
    onSaved: (saved) => {
      void queries.invalidateQueries({ queryKey: ['segments'] });
      toast.tell(renaming ? `Now called “${saved.name}”.` : `“${saved.name}” pinned to your shelf.`);
      onSaved(saved);
    },
  });
  return (
    <FormDialog title={renaming ? 'Rename segment' : 'Save as a segment'} form={segment} onClose={onClose}>
      <TextFormField name="name" label="Name" autoFocus required maxLength={80} />
      <CheckboxFormField name="team" label="Share with the team (each sees their own contacts)" />
    </FormDialog>
  );
}
