'use client';
/** Saving a note, or what they said when they called. Half-written, it survives a reload. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, DRAFTS, freshKey, useDraft } from '../primitives';
import { Button, Checkbox, Field, Kbd, Row, Select, Textarea, useToast, Well } from '../kit';

const MINUTES = [0, 1, 3, 5, 10, 20, 30, 45, 60];

export function Note({ contactId, onClose }: { contactId: string; onClose: () => void }) {
  const [text, setText, clear] = useDraft(DRAFTS.note(contactId));
  const [called, setCalled] = useState(false);
  const [minutes, setMinutes] = useState(5);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () =>
      called
        ? ask('POST /contacts/{id}/activities', {
            params: { id: contactId },
            body: { kind: 'call', text, talk_seconds: minutes * 60 },
            headers: freshKey(),
          })
        : ask('POST /contacts/{id}/notes', { params: { id: contactId }, body: { text }, headers: freshKey() }),
    onSuccess: () => {
      clear();
      void queries.invalidateQueries();
      onClose();
    },
    onError: toast.fail,
  });
  const empty = !called && !text.trim();
  return (
    <Well
      as="form"
      aria-label="Note"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onClose();
        }
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && !empty) save.mutate();
      }}
    >
      <Field label={called ? 'What they said' : 'Note'}>
        {(control) => <Textarea {...control} value={text} autoFocus onChange={(event) => setText(event.target.value)} />}
      </Field>
      <Row above={2}>
        <Checkbox checked={called} onChange={(event) => setCalled(event.target.checked)}>
          They called us
        </Checkbox>
        {called && (
          <Select aria-label="How long you talked" value={minutes} onChange={(event) => setMinutes(Number(event.target.value))}>
            {MINUTES.map((one) => (
              <option key={one} value={one}>
                {one === 0 ? 'and no one answered' : `and we talked for ${one} ${one === 1 ? 'minute' : 'minutes'}`}
              </option>
            ))}
          </Select>
        )}
      </Row>
      <Row above={2}>
        <Button type="submit" look="main" disabled={save.isPending || empty}>
          {called ? 'Save call' : 'Save note'} <Kbd>Ctrl Enter</Kbd>
        </Button>
        <Button onClick={onClose}>Later</Button>
      </Row>
    </Well>
  );
}
