'use client';
/** The inbox: all that people wrote, by person, with what is next; the Dossier of the chosen one beside it. */
import { useState } from 'react';
import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { SUGGESTION_WORDS } from '@/core/messages';
import { Dossier } from '../contacts';
import { ask, Glyph, Strokes, useIsNarrow, useRemembered, useShortcuts, type ApiAnswer } from '../primitives';
import {
  Ago,
  Area,
  Button,
  Chip,
  EmptyState,
  ErrorMessage,
  ListRow,
  PageHead,
  Row,
  Skeleton,
  Stack,
  Text,
  TwoLines,
  useToast,
} from '../kit';

type ConversationRow = ApiAnswer<'GET /answers'>['items'][number];

export function InboxArea() {
  const [unread, setUnread] = useRemembered('inbox_unread', true);
  const [chosen, setChosen] = useState<string | null>(null);
  const queries = useQueryClient();
  const toast = useToast();
  const list = useInfiniteQuery({
    queryKey: ['answers', unread],
    initialPageParam: null as string | null,
    queryFn: ({ pageParam }) => ask('GET /answers', { query: { unread, limit: 50, cursor: pageParam ?? undefined } }),
    getNextPageParam: (last) => last.next_cursor,
  });
  const rows = list.data?.pages.flatMap(({ items }) => items) ?? [];
  const mark = useMutation({
    mutationFn: ({ id, read }: { id: string; read: boolean }) =>
      ask('PUT /contacts/{id}/read', { params: { id }, body: { read } }),
    onSuccess: (_, { id, read }) => {
      void queries.invalidateQueries({ queryKey: ['answers'] });
      void queries.invalidateQueries({ queryKey: ['wire'] });
      toast.tell(read ? 'Marked as read.' : 'Marked as unread.', () => mark.mutate({ id, read: !read }));
    },
    onError: toast.fail,
  });
  const judge = useMutation({
    mutationFn: ({ id, ends }: { id: string; ends: boolean }) =>
      ask('PUT /contacts/{id}/refusal', { params: { id }, body: { ends } }),
    onSuccess: (_, { ends }) => {
      void queries.invalidateQueries({ queryKey: ['answers'] });
      toast.tell(ends ? 'Opted out. They won’t get any more messages.' : 'Campaigns resumed.');
    },
    onError: toast.fail,
  });
  const narrow = useIsNarrow();
  const current = chosen ?? (narrow ? null : (rows[0]?.contact_id ?? null));
  const at = rows.findIndex((row) => row.contact_id === current);
  const open = rows[at];
  const step = (by: number) => setChosen(rows[Math.max(0, Math.min(rows.length - 1, at + by))]?.contact_id ?? null);
  const read = () => {
    const row = rows[at];
    if (row) mark.mutate({ id: row.contact_id, read: row.unread });
    if (row?.unread && unread) step(at + 1 < rows.length ? 1 : -1);
  };
  useShortcuts('list', { next: () => step(1), previous: () => step(-1) });
  useShortcuts('inbox', { read });
  return (
    <Area
      label="Inbox"
      empty={<EmptyState>Choose a conversation.</EmptyState>}
      side={
        current && (
          <Dossier
            contactId={current}
            reasons={open && !open.answered ? [{ group: 'asked', text: open.text, since: open.at }] : undefined}
            onNext={() => step(1)}
            onClose={narrow ? () => setChosen(null) : undefined}
          />
        )
      }
    >
      <PageHead title="Inbox" note="Replies by text and email, by contact. Replying or calling marks them as read.">
        <Row role="group" aria-label="Which conversations">
          <Button size="small" pressed={unread} onClick={() => setUnread(true)}>
            Unread
          </Button>
          <Button size="small" pressed={!unread} onClick={() => setUnread(false)}>
            All
          </Button>
        </Row>
      </PageHead>
      <ErrorMessage error={list.error} />
      {list.isPending && <Skeleton lines={8} height={56} label="Loading inbox" />}
      {list.isSuccess && rows.length === 0 && (
        <EmptyState>{unread ? 'You’re all caught up.' : 'No messages yet. Replies by text and email show up here.'}</EmptyState>
      )}
      {rows.map((row) => (
        <Conversation
          key={row.contact_id}
          row={row}
          chosen={row.contact_id === current}
          judging={judge.isPending}
          onChoose={() => setChosen(row.contact_id)}
          onMark={() => mark.mutate({ id: row.contact_id, read: row.unread })}
          onJudge={(ends) => judge.mutate({ id: row.contact_id, ends })}
        />
      ))}
      {list.hasNextPage && (
        <Row above={3}>
          <Button size="small" disabled={list.isFetchingNextPage} onClick={() => void list.fetchNextPage()}>
            Earlier
          </Button>
        </Row>
      )}
    </Area>
  );
}

function Conversation({
  row,
  chosen,
  judging,
  onChoose,
  onMark,
  onJudge,
}: {
  row: ConversationRow;
  chosen: boolean;
  judging: boolean;
  onChoose: () => void;
  onMark: () => void;
  onJudge: (ends: boolean) => void;
}) {
  const narrow = useIsNarrow();
  const mark = (
    <Button
      size="tiny"
      title="Read or unread (r)"
      aria-label={row.unread ? `Mark ${row.name} as read` : `Mark ${row.name} as unread`}
      onClick={onMark}
    >
      {row.unread ? 'Mark read' : 'Mark unread'}
    </Button>
  );
  return (
    <div data-unread={row.unread || undefined}>
      <Row wrap={false} align="start">
        <Stack grow>
          <ListRow
            chosen={chosen}
            onChoose={onChoose}
            end={
              <>
                <Glyph name={row.channel} />
                <Strokes horizon={row.horizon} />
                <Ago at={row.at} />
              </>
            }
          >
            <Text strong>{row.name || 'No name'}</Text> {row.unread_n > 1 && <Chip>{row.unread_n} new</Chip>}
            <Text tone="soft" small>
              {' '}
              {row.owner_name}
            </Text>
            <TwoLines dir="auto">
              <Text strong={row.unread}>
                {row.subject && `${row.subject}: `}
                {row.text}
              </Text>
            </TwoLines>
            <Next row={row} />
          </ListRow>
        </Stack>
        {!narrow && mark}
      </Row>
      {narrow && mark}
      {row.next.do === 'judge' && (
        <Row role="group" aria-label={`Did ${row.name || 'they'} opt out?`}>
          <Button size="tiny" disabled={judging} onClick={() => onJudge(true)}>
            Stop messages
          </Button>
          <Button size="tiny" disabled={judging} onClick={() => onJudge(false)}>
            Stay in touch
          </Button>
        </Row>
      )}
    </div>
  );
}

/** What to do about it, and why. */
const Next = ({ row: { answered, next, stopped } }: { row: ConversationRow }) => (
  <Text block small>
    {answered ? (
      <Text tone="soft">Already answered</Text>
    ) : (
      <>
        <Text strong tone={next.do === 'nothing' ? 'soft' : 'good'}>
          {SUGGESTION_WORDS[next.do]}
        </Text>{' '}
        <Text tone="soft">{next.because}</Text>
      </>
    )}
    {stopped && <Text tone="soft"> “{stopped}” stopped.</Text>}
  </Text>
);
