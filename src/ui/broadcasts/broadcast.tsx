'use client';
/** One broadcast: a draft that is made ready, or one that goes, with how far it is and what became of it. */
import { useRouter } from 'next/navigation';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CHANNELS } from '@/core/contacts';
import { BROADCAST_STATE_WORDS } from '@/core/messages';
import { ask, freshKey, useFormat } from '../primitives';
import { Draft } from './draft';
import { Outcome } from './outcome';
import { useBroadcast, type Broadcast } from './shapes';
import { Button, type ButtonLook, Heading, LinkButton, Row, Text, useToast } from '../kit';

export function BroadcastDesk({ first }: { first: Broadcast }) {
  const format = useFormat();
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
          ? `Paused. ${format.number(next.counts.waiting)} wait.`
          : what === 'resume'
            ? 'Resumed.'
            : `Stopped. ${format.number(next.counts.cancelled)} canceled; ${format.number(next.counts.sent)} already sent.`,
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
  const button = (what: 'pause' | 'resume' | 'cancel', words: string, look: ButtonLook = 'plain') => (
    <Button look={look} disabled={act.isPending} onClick={() => act.mutate(what)}>
      {words}
    </Button>
  );
  return (
    <>
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>{broadcast.name}</Heading>
          <Text as="p" tone="soft">
            {CHANNELS[broadcast.channel].name} · <b>{BROADCAST_STATE_WORDS[state]}</b>
            {broadcast.error && <Text tone="late"> · {broadcast.error}</Text>}
          </Text>
        </div>
        <Row above={1}>
          {state === 'going' && button('pause', 'Pause', 'main')}
          {state === 'paused' && button('resume', 'Resume', 'main')}
          {['filling', 'going', 'paused'].includes(state) && button('cancel', 'Cancel the rest', 'warn')}
          {state !== 'draft' && (
            <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
              Copy
            </Button>
          )}
          <LinkButton href="/campaigns/broadcasts">All broadcasts</LinkButton>
        </Row>
      </Row>
      {state === 'draft' ? <Draft broadcast={broadcast} onSaved={after} /> : <Outcome broadcast={broadcast} />}
    </>
  );
}
