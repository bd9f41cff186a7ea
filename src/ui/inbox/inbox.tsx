'use client';
/** The inbox: all that people wrote, by person, with what is next; the Dossier of the chosen one beside it. */
import { useState } from 'react';
import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { SUGGESTION_WORDS } from '@/core/messages';
import { Dossier } from '../contacts';
import { Ago, ask, Glyph, Strokes, useIsNarrow, useKeys } from '../primitives';
import './inbox.css';
import { BareButton, Button, ErrorMessage, useToast } from '../kit';

export function InboxArea() {
  const [unread, setUnread] = useState(true);
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
      toast.tell(read ? 'Read.' : 'Unread again.', () => mark.mutate({ id, read: !read }));
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
  useKeys({ j: () => step(1), k: () => step(-1), ArrowDown: () => step(1), ArrowUp: () => step(-1), r: read });
  return (
    <div className="area with-dossier inbox">
      <section aria-label="Inbox">
        <div className="headline">
          <div>
            <h1>Inbox</h1>
            <p className="soft">Replies by text and email, by contact. Replying or calling marks them as read.</p>
          </div>
          <div className="beside" role="group" aria-label="Which">
            <Button size="small" pressed={unread} onClick={() => setUnread(true)}>
              Unread
            </Button>
            <Button size="small" pressed={!unread} onClick={() => setUnread(false)}>
              All
            </Button>
          </div>
        </div>
        <ErrorMessage error={list.error} />
        {list.isSuccess && rows.length === 0 && (
          <p className="empty">{unread ? 'You’re all caught up.' : 'No messages yet. Replies by text and email show up here.'}</p>
        )}
        {rows.map((row) => (
          <div key={row.contact_id} className={`answer${row.contact_id === current ? ' sel' : ''}${row.unread ? ' unread' : ''}`}>
            <BareButton className="row" onClick={() => setChosen(row.contact_id)} aria-current={row.contact_id === current}>
              <span className="l">
                <span className="strong">{row.name || 'Someone'}</span>{' '}
                {row.unread_n > 1 && <span className="tag">{row.unread_n} new</span>}
                <span className="soft small"> {row.owner_name}</span>
                <span className="words" dir="auto">
                  {row.subject && <b>{row.subject}: </b>}
                  {row.text}
                </span>
                <span className="small next">
                  {row.answered ? (
                    <span className="soft">answered since</span>
                  ) : (
                    <>
                      <b className={row.next.do === 'nothing' ? 'soft' : 'good'}>{SUGGESTION_WORDS[row.next.do]}</b>{' '}
                      <span className="soft">{row.next.because}</span>
                    </>
                  )}
                  {row.stopped && <span className="soft"> “{row.stopped}” stopped.</span>}
                </span>
              </span>
              <span className="r">
                <Glyph name={row.channel} />
                <Strokes horizon={row.horizon} />
                <span className="soft small nowrap">
                  <Ago at={row.at} />
                </span>
              </span>
            </BareButton>
            <Button
              size="tiny"
              title="Read or unread (r)"
              aria-label={row.unread ? `Mark ${row.name} as read` : `Mark ${row.name} as unread`}
              onClick={() => mark.mutate({ id: row.contact_id, read: row.unread })}
            >
              {row.unread ? 'Mark read' : 'Mark unread'}
            </Button>
            {row.next.do === 'judge' && (
              <span className="judge" role="group" aria-label={`Did ${row.name || 'they'} opt out?`}>
                <Button size="tiny" disabled={judge.isPending} onClick={() => judge.mutate({ id: row.contact_id, ends: true })}>
                  Stop messages
                </Button>
                <Button size="tiny" disabled={judge.isPending} onClick={() => judge.mutate({ id: row.contact_id, ends: false })}>
                  Stay in touch
                </Button>
              </span>
            )}
          </div>
        ))}
        {list.hasNextPage && (
          <Button
            size="small"
            style={{ marginTop: 12 }}
            disabled={list.isFetchingNextPage}
            onClick={() => void list.fetchNextPage()}
          >
            Earlier
          </Button>
        )}
      </section>
      {current && (
        <Dossier
          contactId={current}
          reasons={open && !open.answered ? [{ group: 'asked', text: open.text, since: open.at }] : undefined}
          onNext={() => step(1)}
          onClose={narrow ? () => setChosen(null) : undefined}
        />
      )}
    </div>
  );
}
