'use client';
/** The history of changes of many, each with its way back. */
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { refusedSentence } from '@/core/contacts';
import { ask, useZone, useFormat } from '../primitives';
import { outcomeWords, useChangeActions } from './watch';
import { Button, DialogBody, EmptyState, Heading, Row, Text } from '../kit';

export function HistoryDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="history-title" fullWidth maxWidth="md">
      <DialogBody>
        <Heading level={1} id="history-title">
          Change history
        </Heading>
        <Text as="p" tone="soft" small>
          Undo reverses a change. Anything edited since then stays as is.
        </Text>
        <History />
        <Row>
          <Button onClick={onClose}>Close</Button>
        </Row>
      </DialogBody>
    </Dialog>
  );
}

export function History() {
  const zone = useZone();
  const format = useFormat();
  const { cancel, undo } = useChangeActions();
  const { data: changes } = useQuery({
    queryKey: ['changes'],
    queryFn: async () => (await ask('GET /changes', { query: { limit: 100 } })).items,
    refetchInterval: ({ state }) =>
      state.data?.some((change) => ['waiting', 'running', 'undoing'].includes(change.state)) ? 1_000 : false,
  });
  if (changes?.length === 0) return <EmptyState>No bulk changes yet.</EmptyState>;
  return (
    <div>
      {changes?.map((change) => (
        <Row ruled spread wrap={false} gap={3} key={change.id}>
          <span>
            <b>{change.sentence}</b>
            <Text block tone="soft" small>
              {format.dayAndTime(new Date(change.made_at), zone)}, {change.by ?? 'a program'}.{' '}
              {['waiting', 'running', 'undoing'].includes(change.state)
                ? `${change.done.toLocaleString('en-US')} of ${change.total.toLocaleString('en-US')}`
                : outcomeWords(change)}
              {change.state === 'undone' &&
                ` It had changed ${change.changed.toLocaleString('en-US')}${refusedSentence(change.left_alone) ? `; ${refusedSentence(change.left_alone)}` : ''}.`}
            </Text>
          </span>
          {change.can_undo && <Button onClick={() => undo(change.id)}>Undo</Button>}
          {change.state === 'running' && <Button onClick={() => cancel(change.id)}>Cancel</Button>}
        </Row>
      ))}
    </div>
  );
}
