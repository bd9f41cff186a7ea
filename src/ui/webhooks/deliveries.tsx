'use client';
/** What was sent to a webhook, how it went, and what was in it; any of it is sent again. */
import { useState } from 'react';
import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import type { DeliveryView, WebhookView } from '@/core/webhooks';
import type { Jsoned } from '@/core/shared';
import { ask, useFormat, useZone } from '../primitives';
import { Ago, BareButton, Button, CodeText, Dialog, ListLine, Stack, Text, useToast } from '../kit';

type Delivery = Jsoned<DeliveryView>;

export function DeliveriesDialog({ hook, onClose }: { hook: Jsoned<WebhookView>; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const key = ['webhooks', hook.id, 'deliveries'];
  const log = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam }) =>
      ask('GET /webhooks/{id}/deliveries', { params: { id: hook.id }, query: { limit: 20, cursor: pageParam ?? undefined } }),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next_cursor }) => next_cursor,
    refetchInterval: 3_000,
  });
  const replay = useMutation({
    mutationFn: (id: string) => ask('POST /webhook-deliveries/{id}/replay', { params: { id } }),
    onSuccess: () => {
      toast.tell('On its way again.');
      void queries.invalidateQueries({ queryKey: key });
    },
    onError: toast.fail,
  });
  const items = log.data?.pages.flatMap((page) => page.items);
  return (
    <Dialog title="Webhook log" width="md" onClose={onClose}>
      <Text tone="soft" small>
        {hook.url} · the last 30 days
      </Text>
      {items?.length === 0 && <Text tone="soft">Nothing was sent yet.</Text>}
      {items?.map((delivery) => (
        <DeliveryLine key={delivery.id} delivery={delivery} busy={replay.isPending} onReplay={() => replay.mutate(delivery.id)} />
      ))}
      {log.hasNextPage && (
        <Button size="small" onClick={() => void log.fetchNextPage()}>
          Earlier
        </Button>
      )}
    </Dialog>
  );
}

function DeliveryLine({ delivery, busy, onReplay }: { delivery: Delivery; busy: boolean; onReplay: () => void }) {
  const [open, setOpen] = useState(false);
  const { id, event, made_at, payload, answer } = delivery;
  return (
    <ListLine
      end={
        delivery.state !== 'waiting' && (
          <Button size="tiny" aria-label={`Send ${event} ${id} again`} disabled={busy} onClick={onReplay}>
            Send again
          </Button>
        )
      }
    >
      <BareButton aria-expanded={open} onClick={() => setOpen(!open)}>
        <Text strong>{event}</Text> <Outcome delivery={delivery} />
      </BareButton>
      <Text tone="soft" small block>
        <Ago at={made_at} />
        {delivery.tries > 1 && ` · ${delivery.tries} tries`}
        {delivery.took_ms !== null && ` · ${delivery.took_ms} ms`}
      </Text>
      {open && (
        <Stack gap={2} above={2}>
          {payload && <CodeText>{pretty(payload)}</CodeText>}
          {answer && (
            <Text small block>
              Answered: <CodeText>{answer}</CodeText>
            </Text>
          )}
        </Stack>
      )}
    </ListLine>
  );
}

function Outcome({ delivery: { state, status, error, next_at } }: { delivery: Delivery }) {
  const format = useFormat();
  const zone = useZone();
  if (state === 'delivered') return <Text tone="good">delivered{status ? `, ${status}` : ''}</Text>;
  if (state === 'failed') return <Text tone="late">failed: {error}</Text>;
  if (!error) return <Text tone="soft">on its way</Text>;
  return (
    <Text tone="late">
      {error} {next_at && `Next try ${format.dayAndTime(new Date(next_at), zone)}.`}
    </Text>
  );
}

const pretty = (json: string): string => {
  try {
    return JSON.stringify(JSON.parse(json), null, 2);
  } catch {
    return json;
  }
};
