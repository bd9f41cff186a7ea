'use client';
/** Why a contact is archived. */
import { FormDialog, TextFormField, useSaveForm } from '../kit';

export function ArchiveDialog({ onClose, onArchive }: { onClose: () => void; onArchive: (because: string) => void }) {
  const archive = useSaveForm({
    values: { because: '' },
    save: ({ because }) => Promise.resolve(because.trim()),
    onSaved: onArchive,
  });
  return (
    <FormDialog
      title="Archive contact"
      form={archive}
      does="Archive"
      may={archive.form.watch('because').trim() !== ''}
      onClose={onClose}
    >
      <TextFormField name="because" label="Why are you archiving them?" autoFocus maxLength={300} />
    </FormDialog>
  );
}
