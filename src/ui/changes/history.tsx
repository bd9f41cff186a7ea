'use client';
/** The history of changes of many, each with its way back. */
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { refusedSentence } from '@/core/contacts';
import { ask, useZone, useFormat } from '../primitives';
import { outcomeWords, useChangeActions } from './watch';
import { Button } from '../kit';

export function HistoryDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="history-title" fullWidth maxWidth="md">
      <div className="dialog">
        <h1 id="history-title">Change history</h1>
        <p className="soft small">Undo reverses a change. Anything edited since then stays as is.</p>
        <History />
        <div className="line">
          <Button onClick={onClose}>Close</Button>
        </div>
      </div>
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
  if (changes?.length === 0) return <p className="empty">No bulk changes yet.</p>;
  return (
    <div>
      {changes?.map((change) => (
        <div key={change.id} className="pair">
          <span>
            <b>{change.sentence}</b>
            <span className="soft small" style={{ display: 'block' }}>
              {format.dayAndTime(new Date(change.made_at), zone)}, {change.by ?? 'a program'}.{' '}
              {['waiting', 'running', 'undoing'].includes(change.state)
                ? `${change.done.toLocaleString('en-US')} of ${change.total.toLocaleString('en-US')}`
                : outcomeWords(change)}
              {change.state === 'undone' &&
                ` It had changed ${change.changed.toLocaleString('en-US')}${refusedSentence(change.left_alone) ? `; ${refusedSentence(change.left_alone)}` : ''}.`}
            </span>
          </span>
          {change.can_undo && <Button onClick={() => undo(change.id)}>Undo</Button>}
          {change.state === 'running' && <Button onClick={() => cancel(change.id)}>Cancel</Button>}
        </div>
      ))}
    </div>
  );
}
