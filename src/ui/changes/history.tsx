'use client';
/** The history of changes of many, each with its way back. */
import { useQuery } from '@tanstack/react-query';
import { refusedSentence } from '@/core/contacts';
import { ask, useZone, useFormat } from '../primitives';
import { outcomeWords, useChangeActions } from './watch';
import { Button, Dialog, EmptyState, Row, Text } from '../kit';

export function HistoryDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Change history" width="md" onClose={onClose}>
      <Text as="p" tone="soft" small>
        Undo reverses a change. Anything edited since then stays as is.
      </Text>
      <History />
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
                ? `${format.number(change.done)} of ${format.number(change.total)}`
                : outcomeWords(change, format)}
              {change.state === 'undone' &&
                ` It had changed ${format.number(change.changed)}${refusedSentence(change.left_alone) ? `; ${refusedSentence(change.left_alone)}` : ''}.`}
            </Text>
          </span>
          {change.can_undo && (
            <Button aria-label={`Undo: ${change.sentence}`} onClick={() => undo(change.id)}>
              Undo
            </Button>
          )}
          {change.state === 'running' && <Button onClick={() => cancel(change.id)}>Cancel</Button>}
        </Row>
      ))}
    </div>
  );
}
