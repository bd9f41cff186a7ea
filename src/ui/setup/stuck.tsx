'use client';
/** Messages that cannot be sent, and trying all of them again. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CHANNELS, type Channel } from '@/core/contacts';
import { ask, useFormat } from '../primitives';
import { Button, ListLine, Text, useToast } from '../kit';
import { Block } from './block';

const SHOWN = 12;
const AGAIN_MS = 10_000;

export function Stuck() {
  const queries = useQueryClient();
  const toast = useToast();
  const format = useFormat();
  const { data: stuck } = useQuery({
    queryKey: ['stuck'],
    queryFn: async () => (await ask('GET /outbox/stuck')).items,
    refetchInterval: AGAIN_MS,
  });
  const retry = useMutation({
    mutationFn: () => ask('POST /outbox/retry'),
    onSuccess: ({ retried }) => {
      toast.tell(`${format.number(retried)} queued to retry.`);
      void queries.invalidateQueries({ queryKey: ['stuck'] });
    },
    onError: toast.fail,
  });
  return (
    <Block title="Messages that can’t be sent" note="If a provider is down, we keep retrying. Nothing is lost or sent twice.">
      {stuck?.length === 0 && <Text tone="good">Everything is sending.</Text>}
      {stuck?.slice(0, SHOWN).map((one) => (
        <ListLine
          key={one.id}
          end={
            <Text tone="soft" small nowrap>
              {one.state === 'parked'
                ? 'stopped'
                : `${format.number(one.attempts)} ${one.attempts === 1 ? 'attempt' : 'attempts'}`}
            </Text>
          }
        >
          {one.name}, {CHANNELS[one.channel as Channel].name}
          <Text tone="late" small block>
            {one.error}
          </Text>
        </ListLine>
      ))}
      {stuck && stuck.length > 0 && (
        <div>
          <Button onClick={() => retry.mutate()} disabled={retry.isPending}>
            Retry all now
          </Button>
        </div>
      )}
    </Block>
  );
}
