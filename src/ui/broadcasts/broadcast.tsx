'use client';
/** One broadcast: a draft that is made ready, or one that goes, with how far it is and what became of it. */
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CHANNELS } from '@/core/contacts';
import { BROADCAST_STATE_WORDS } from '@/core/messages';
import { ask, freshKey, useToast } from '../primitives';
import { Draft } from './draft';
import { Outcome } from './outcome';
import { useBroadcast, type Broadcast } from './shapes';
import './broadcasts.css';

export function BroadcastDesk({ first }: { first: Broadcast }) {
  const { data: broadcast } = useBroadcast(first);
  const queries = useQueryClient();
  const toast = useToast();
  const router = useRouter();
  const after = (next: Broadcast) => {
    queries.setQueryData(['broadcasts', broadcast.id], next);
    void queries.invalidateQueries({ queryKey: ['broadcasts'], exact: true });
  };
  const act = useMutation({
    mutationFn: (what: 'pause' | 'resume' | 'cancel') =>
      ask(`POST /broadcasts/{id}/${what}`, { params: { id: broadcast.id }, headers: freshKey() }),
    onSuccess: (next, what) => {
      after(next);
      toast.tell(
        what === 'pause'
          ? `Paused. ${next.counts.waiting.toLocaleString('en-US')} wait.`
          : what === 'resume'
            ? 'It goes on.'
            : `Cancelled. ${next.counts.cancelled.toLocaleString('en-US')} were taken back; ${next.counts.sent.toLocaleString('en-US')} had gone.`,
        what === 'pause' ? () => act.mutate('resume') : undefined,
      );
    },
    onError: toast.fail,
  });
  const copy = useMutation({
    mutationFn: () => ask('POST /broadcasts/{id}/copy', { params: { id: broadcast.id }, headers: freshKey() }),
    onSuccess: ({ id }) => router.push(`/campaigns/broadcasts/${id}`),
    onError: toast.fail,
  });
  const { state } = broadcast;
  const button = (what: 'pause' | 'resume' | 'cancel', words: string, look = 'act') => (
    <button type="button" className={look} disabled={act.isPending} onClick={() => act.mutate(what)}>
      {words}
    </button>
  );
  return (
    <>
      <div className="headline">
        <div>
          <h1>{broadcast.name}</h1>
          <p className="soft">
            {CHANNELS[broadcast.channel].name} · <b>{BROADCAST_STATE_WORDS[state]}</b>
            {broadcast.error && <span className="late"> · {broadcast.error}</span>}
          </p>
        </div>
        <div className="beside">
          {state === 'going' && button('pause', 'Pause', 'act main')}
          {state === 'paused' && button('resume', 'Let it go on', 'act main')}
          {['filling', 'going', 'paused'].includes(state) && button('cancel', 'Cancel what has not gone', 'act warn')}
          {state !== 'draft' && (
            <button type="button" className="act" disabled={copy.isPending} onClick={() => copy.mutate()}>
              Copy
            </button>
          )}
          <Link className="act" href="/campaigns/broadcasts" prefetch={false}>
            All broadcasts
          </Link>
        </div>
      </div>
      {state === 'draft' ? <Draft broadcast={broadcast} onSaved={after} /> : <Outcome broadcast={broadcast} />}
    </>
  );
}
