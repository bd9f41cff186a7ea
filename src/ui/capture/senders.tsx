'use client';
/** Senders that began to write to somebody else’s mailbox: to be given a door of their own, or left where they are. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { SenderView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';
import { Ago, Button, Chip, ListLine, Section, Text, useToast } from '../kit';

type Sender = Jsoned<SenderView>;

export function Senders() {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: senders = [] } = useQuery({
    queryKey: ['senders'],
    queryFn: async () => (await ask('GET /senders')).items,
    refetchInterval: 30_000,
  });
  const settle = useMutation({
    mutationFn: ({ sender, own }: { sender: Sender; own: boolean }) =>
      ask('PATCH /senders/{id}', { params: { id: sender.id }, body: { own_door: own } }),
    onSuccess: (_, { sender, own }) => {
      for (const key of ['senders', 'doors']) void queries.invalidateQueries({ queryKey: [key] });
      toast.tell(
        own
          ? `Mail from ${sender.domain} now comes in through its own door, even to the address they use today.`
          : `${sender.domain} belongs to “${sender.door.name}”.`,
      );
    },
    onError: toast.fail,
  });
  if (!senders.length) return null;
  return (
    <Section id="senders" tabIndex={-1} title="New senders">
      {senders.map((sender) => (
        <ListLine
          key={sender.id}
          end={
            <>
              <Button
                size="tiny"
                aria-label={`Separate door for ${sender.domain}`}
                disabled={settle.isPending}
                onClick={() => settle.mutate({ sender, own: true })}
              >
                Separate door
              </Button>
              <Button
                size="tiny"
                aria-label={`${sender.domain} belongs to ${sender.door.name}`}
                disabled={settle.isPending}
                onClick={() => settle.mutate({ sender, own: false })}
              >
                Belongs there
              </Button>
            </>
          }
        >
          <Text strong dir="auto">
            {sender.name || sender.domain}
          </Text>{' '}
          <Chip>new</Chip>
          <Text tone="soft" small block>
            {sender.domain} · {sender.mails} {sender.mails === 1 ? 'email' : 'emails'} to “{sender.door.name}” · first{' '}
            <Ago at={sender.first_at} />
          </Text>
        </ListLine>
      ))}
    </Section>
  );
}
