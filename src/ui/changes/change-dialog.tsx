'use client';
/** One change for many: what exactly, then one sentence that says whom it changes and whom it leaves alone and why, then it is done. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import type { BulkActionInput, ContactSelection } from '@/core/changes';
import { ask, freshKey } from '../primitives';
import { ChangeForm, TITLES, type BulkActionForm } from './forms';
import { useChangeWatch } from './watch';
import { Button, Callout, DialogBody, errorSentence, Heading, Row, Text, useToast } from '../kit';

export function ChangeDialog({
  doing,
  selection,
  onClose,
  onAsked,
}: {
  doing: BulkActionForm;
  selection: ContactSelection;
  onClose: () => void;
  onAsked: () => void;
}) {
  const [change, setChange] = useState<BulkActionInput | null>(
    doing === 'delete' ? { kind: 'delete' } : doing === 'call_list' ? { kind: 'call_list', note: '' } : null,
  );
  const toast = useToast();
  const { watch } = useChangeWatch();
  const asked = { selection, change: change! };
  const preview = useQuery({
    queryKey: ['change-preview', JSON.stringify(asked)],
    queryFn: () => ask('POST /changes/preview', { body: asked }),
    enabled: change !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const order = useMutation({
    mutationFn: () => ask('POST /changes', { body: asked, headers: freshKey() }),
    onSuccess: ({ id }) => {
      watch(id);
      onAsked();
    },
    onError: toast.fail,
  });
  const nobody = preview.data?.will_change === 0;
  return (
    <Dialog open onClose={onClose} aria-labelledby="change-title" fullWidth maxWidth="sm">
      <DialogBody
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (change && !nobody) order.mutate();
        }}
      >
        <Heading level={1} id="change-title">
          {TITLES[doing]}
        </Heading>
        <ChangeForm doing={doing} selection={selection} onChange={setChange} />
        <Callout role="status">
          {!change ? (
            <Text tone="soft">Choose, and you’ll see what will happen.</Text>
          ) : preview.isError ? (
            <Text tone="late">{errorSentence(preview.error)}</Text>
          ) : (
            (preview.data?.sentence ?? <Text tone="soft">Counting…</Text>)
          )}
        </Callout>
        <Row>
          <Button
            type="submit"
            look={doing === 'delete' ? 'warn' : 'main'}
            disabled={!change || preview.isError || nobody || order.isPending || preview.isPlaceholderData}
          >
            {preview.data && change ? `Do it for ${preview.data.will_change.toLocaleString('en-US')}` : 'Do it'}
          </Button>
          <Button onClick={onClose}>Cancel</Button>
          <Text tone="soft" small>
            You can undo this.
          </Text>
        </Row>
      </DialogBody>
    </Dialog>
  );
}
