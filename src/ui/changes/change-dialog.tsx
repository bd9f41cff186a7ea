'use client';
/** One change for many: what exactly, then one sentence that says whom it changes and whom it leaves alone and why, then it is done. */
import { useState } from 'react';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import type { BulkActionInput, ContactSelection } from '@/core/changes';
import { ask, freshKey, useFormat } from '../primitives';
import { ChangeForm, TITLES, type BulkActionForm } from './forms';
import { useChangeWatch } from './watch';
import { Callout, Dialog, errorSentence, Text, useToast } from '../kit';

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
  const format = useFormat();
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
    <Dialog
      title={TITLES[doing]}
      width="sm"
      onClose={onClose}
      onSubmit={() => order.mutate()}
      does={preview.data && change ? `Do it for ${format.number(preview.data.will_change)}` : 'Do it'}
      warn={doing === 'delete'}
      busy={order.isPending}
      may={change !== null && !preview.isError && !nobody && !preview.isPlaceholderData}
      note={
        <Text tone="soft" small>
          You can undo this.
        </Text>
      }
    >
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
    </Dialog>
  );
}
