'use client';
/** Keeping a note. Half-written, it survives a reload. */
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, freshKey, useDraft, useNotices } from '../primitives';

export function Note({ contactId, onClose }: { contactId: string; onClose: () => void }) {
  const [text, setText, clear] = useDraft(`note_${contactId}`);
  const queries = useQueryClient();
  const notices = useNotices();
  const keep = useMutation({
    mutationFn: () => ask(`/contacts/${contactId}/notes`, 'POST', { text }, freshKey()),
    onSuccess: () => {
      clear();
      void queries.invalidateQueries();
      onClose();
    },
    onError: notices.fail,
  });
  return (
    <form
      className="desk"
      aria-label="Note"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onClose();
        }
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) keep.mutate();
      }}
    >
      <TextField
        label="Note"
        value={text}
        onChange={(event) => setText(event.target.value)}
        multiline
        minRows={3}
        maxRows={12}
        fullWidth
        autoFocus
      />
      <div className="line">
        <button type="submit" className="act main" disabled={keep.isPending || !text.trim()}>
          Keep the note <kbd>Ctrl Enter</kbd>
        </button>
        <button type="button" className="act" onClick={onClose}>
          Later
        </button>
      </div>
    </form>
  );
}
