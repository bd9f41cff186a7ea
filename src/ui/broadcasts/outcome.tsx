'use client';
/** What became of a broadcast: how far it is, the answers of the first hour on top, every number with its people. */
import { useState } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { refusedSentence, CHANNELS } from '@/core/contacts';
import type { BroadcastPeople } from '@/core/messages';
import { ask, useNow, useZone, when, useFormat } from '../primitives';
import { Preview, Rate } from '../templates';
import type { Broadcast } from './shapes';
import { Ago, Button, Callout, LinkButton, ListRow, Panel, Progress, Row, Split, SplitSide, Stack, Text, useToast } from '../kit';

export function Outcome({ broadcast }: { broadcast: Broadcast }) {
  const format = useFormat();
  const { counts, people, state } = broadcast;
  const { isTracked, isPrinted } = CHANNELS[broadcast.channel];
  const [shown, setShown] = useState<BroadcastPeople>(counts.answered ? 'answered' : 'sent');
  const now = useNow();
  const zone = useZone();
  const gone = people - counts.waiting - counts.cancelled;
  const left = refusedSentence(broadcast.left_out, { channel: broadcast.channel });
  const line = (what: BroadcastPeople, words: string, n: number, of = counts.sent) => (
    <ListRow
      chosen={shown === what}
      onChoose={() => setShown(what)}
      end={
        what === 'sent' || what === 'waiting' || what === 'held' ? (
          <b>{format.number(n)}</b>
        ) : (
          <Rate n={n} of={of} what={words.toLowerCase()} />
        )
      }
    >
      {words}
    </ListRow>
  );
  return (
    <Split>
      <Stack gap={4.5}>
        {counts.answered_first_hour > 0 && (
          <Callout>
            {counts.answered_first_hour === 1 ? 'One person' : `${format.number(counts.answered_first_hour)} people`} replied
            within the first hour.
          </Callout>
        )}
        {state === 'filling' ? (
          <Text as="p" tone="soft">
            Getting ready…
          </Text>
        ) : (
          people > 0 && (
            <div>
              <Progress done={gone + counts.cancelled} of={people} label="Progress" />
              <Text as="p" tone="soft" small>
                {format.number(gone)} of {format.number(people)} sent
                {state === 'going' &&
                  broadcast.last_at &&
                  `; the last goes ${when(new Date(broadcast.last_at), now, zone, format)}`}
                {state === 'going' &&
                  broadcast.next_at &&
                  new Date(broadcast.next_at) > now &&
                  `, the next ${when(new Date(broadcast.next_at), now, zone, format)}`}
                .
              </Text>
            </div>
          )
        )}
        <Panel as="section" aria-label="Results">
          {line('sent', 'Sent', counts.sent)}
          {counts.waiting > 0 && line('waiting', state === 'paused' ? 'Paused' : 'Scheduled', counts.waiting)}
          {counts.held > 0 && line('held', 'Held back', counts.held)}
          {line('answered', 'Replied within a week', counts.answered)}
          {isTracked && line('opened', 'Opened', counts.opened)}
          {isTracked && line('clicked', 'Clicked a link', counts.clicked)}
          {line('bounced', 'Bounced', counts.bounced)}
          {isTracked && line('complained', 'Marked as spam', counts.complained)}
          {line('opted_out', 'Opted out', counts.opted_out)}
          {isPrinted && (
            <Row ruled spread wrap={false} gap={3}>
              <span>Delivered by mail</span>
              <b>{format.number(counts.delivered_letters)}</b>
            </Row>
          )}
          {isTracked && (
            <Text as="p" tone="soft" small>
              Opens are estimates: some email programs load images automatically and some never do. Clicks and replies tell you
              more.
            </Text>
          )}
          {left && (
            <Text as="p" tone="soft" small>
              Left out: {left}.
            </Text>
          )}
        </Panel>
        {isPrinted && counts.sent > 0 && <Print broadcast={broadcast} />}
        <Behind key={shown} id={broadcast.id} what={shown} />
      </Stack>
      <SplitSide>
        <Preview channel={broadcast.channel} words={broadcast.words} />
      </SplitSide>
    </Split>
  );
}

/** The people behind a number. */
function Behind({ id, what }: { id: string; what: BroadcastPeople }) {
  const { data } = useQuery({
    queryKey: ['broadcasts', id, 'people', what],
    queryFn: () => ask('GET /broadcasts/{id}/people', { params: { id }, query: { what, limit: 100 } }),
  });
  if (!data) return null;
  return (
    <section aria-label="People">
      {data.items.length === 0 && (
        <Text as="p" tone="soft">
          No one.
        </Text>
      )}
      {data.items.map((person) => (
        <Row ruled spread wrap={false} gap={3} key={person.contact_id}>
          <Text cut>
            <LinkButton look="link" href={`/contacts/${person.contact_id}`}>
              <Text strong>{person.name || 'Someone'}</Text>
            </LinkButton>{' '}
            {person.words && (
              <Text tone="soft" dir="auto">
                {person.words}
              </Text>
            )}
          </Text>
          {person.at && (
            <Text tone="soft" small nowrap>
              <Ago at={person.at} />
            </Text>
          )}
        </Row>
      ))}
      {data.next_cursor && (
        <Text as="p" tone="soft" small>
          and more
        </Text>
      )}
    </section>
  );
}

/** The letters as one file, or labels for their envelopes. */
function Print({ broadcast }: { broadcast: Broadcast }) {
  const toast = useToast();
  const make = useMutation({
    mutationFn: async (what: 'letters' | 'labels') => {
      await ask('POST /broadcasts/{id}/print', { params: { id: broadcast.id }, body: { what } });
      for (let turn = 0; turn < 120; turn += 1) {
        const answer = await fetch(`/api/v1/broadcasts/${broadcast.id}/print?what=${what}`);
        if (answer.status === 200) return { what, url: URL.createObjectURL(await answer.blob()) };
        await new Promise((resolve) => setTimeout(resolve, 500));
      }
      throw new Error('The file is taking longer than a minute. Try again shortly.');
    },
    onSuccess: ({ what, url }) => {
      const link = document.createElement('a');
      link.href = url;
      link.download = `${what} ${broadcast.name}.pdf`;
      link.click();
      URL.revokeObjectURL(url);
      toast.tell(
        what === 'letters' ? 'The letters are ready in one file, sorted by ZIP code.' : 'The labels are ready: sheets of 30.',
      );
    },
    onError: toast.fail,
  });
  return (
    <Row above={1}>
      <Button disabled={make.isPending} onClick={() => make.mutate('letters')}>
        {make.isPending && make.variables === 'letters' ? 'Creating the file…' : 'Download letters (PDF)'}
      </Button>
      <Button disabled={make.isPending} onClick={() => make.mutate('labels')}>
        {make.isPending && make.variables === 'labels' ? 'Creating the file…' : 'Labels'}
      </Button>
    </Row>
  );
}
