'use client';
/** Contacts: a dense list, searched on the server; the Dossier beside it. Also the people behind a number in Results. */
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { useRouter, useSearchParams } from 'next/navigation';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { STAGES } from '@/core/contacts';
import { MEASURES } from '@/core/results';
import { ask, Strokes, Ago, useKeys, useNow, useZone, when } from '../primitives';
import { Dossier } from './dossier';
import { nameOf, type Contact } from './types';

interface Page {
  items: Contact[];
  next_cursor: string | null;
  total: number;
}
const PAGE = 50;

export function ContactsArea({ readOnly, people }: { readOnly: boolean; people: { id: string; name: string }[] }) {
  const router = useRouter();
  const params = useSearchParams();
  const [text, setText] = useState(params.get('q') ?? '');
  const q = useDeferredValue(text.trim());
  const stage = params.get('stage') ?? '';
  const measure = params.get('measure');
  const filter = new URLSearchParams({
    ...(q ? { q } : {}),
    ...(stage ? { stage } : {}),
    ...(measure
      ? { measure, days: params.get('days') ?? '30', ...(params.get('agent') ? { agent: params.get('agent')! } : {}) }
      : {}),
  }).toString();
  const found = useInfiniteQuery({
    queryKey: ['contacts', filter],
    queryFn: ({ pageParam }) =>
      ask<Page>(`/contacts?limit=${PAGE}${filter ? `&${filter}` : ''}${pageParam ? `&cursor=${pageParam}` : ''}`),
    initialPageParam: '',
    getNextPageParam: (last) => last.next_cursor,
    placeholderData: keepPreviousData,
  });
  const rows = found.data?.pages.flatMap((page) => page.items) ?? [];
  const total = found.data?.pages[0]?.total;
  const chosen = params.get('contact');
  const at = rows.findIndex((row) => row.id === chosen);
  const choose = (id: string | null) => {
    const next = new URLSearchParams(params);
    if (id) next.set('contact', id);
    else next.delete('contact');
    window.history.replaceState(null, '', `/contacts${next.size ? `?${next}` : ''}`);
  };
  const step = (by: number) => {
    const to = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
    if (to) choose(to.id);
    if (at + by >= rows.length - 3 && found.hasNextPage) void found.fetchNextPage();
  };
  useKeys({
    j: () => step(1),
    k: () => step(-1),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    Enter: () => chosen && router.push(`/contacts/${chosen}`),
  });
  const setFilter = (name: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(name, value);
    else next.delete(name);
    router.replace(`/contacts${next.size ? `?${next}` : ''}`);
  };
  return (
    <div className={`area${chosen ? ' with-dossier' : ''}`}>
      <section aria-label="Contacts">
        <div className="headline">
          <Heading
            measure={measure}
            agent={people.find(({ id }) => id === params.get('agent'))?.name}
            days={params.get('days') ?? '30'}
            total={total}
            onClear={() => router.replace('/contacts')}
          />
          <div style={{ display: 'flex', gap: 8 }}>
            <input
              className="chip"
              style={{ width: 230, padding: '6px 10px' }}
              aria-label="Search contacts"
              placeholder="Name, phone, e-mail, town, tag"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
            <select
              className="chip"
              aria-label="Stage"
              value={stage}
              onChange={(event) => setFilter('stage', event.target.value)}
            >
              <option value="">Any stage</option>
              {STAGES.map((one) => (
                <option key={one.key} value={one.key}>
                  {one.name}
                </option>
              ))}
            </select>
          </div>
        </div>
        {found.isError && <p className="late">{found.error.message}</p>}
        <Grid rows={rows} chosen={chosen} narrow={chosen !== null} onChoose={choose} />
        {!found.isPending && rows.length === 0 && (
          <p className="empty">
            {q || stage || measure
              ? 'Nobody is found. Try fewer letters, or another stage.'
              : 'No contacts yet. Press n to add the first lead, or hand the address of your public page around.'}
          </p>
        )}
        <More going={found.isFetchingNextPage} more={found.hasNextPage} onMore={() => void found.fetchNextPage()} />
      </section>
      {chosen && <Dossier contactId={chosen} readOnly={readOnly} onClose={() => choose(null)} onNext={() => step(1)} />}
    </div>
  );
}

function Heading({
  measure,
  agent,
  days,
  total,
  onClear,
}: {
  measure: string | null;
  agent?: string;
  days: string;
  total?: number;
  onClear: () => void;
}) {
  const count = total === undefined ? '' : total >= 100_000 ? '100,000+' : total.toLocaleString('en-US');
  const behind = MEASURES.find((one) => one.key === measure);
  return (
    <div>
      <h1>
        {count} {behind ? '' : 'contacts'}
        {behind && (
          <>
            {behind.name.toLowerCase()}
            {agent ? `, ${agent}` : ''}, last {days} days
          </>
        )}
      </h1>
      <p className="soft small">
        {behind ? (
          <>
            {behind.definition}{' '}
            <button type="button" className="chip" style={{ padding: '0 7px' }} onClick={onClear}>
              All contacts
            </button>
          </>
        ) : (
          'The newest first. j and k move, Enter opens the page.'
        )}
      </p>
    </div>
  );
}

function Grid({
  rows,
  chosen,
  narrow,
  onChoose,
}: {
  rows: Contact[];
  chosen: string | null;
  narrow: boolean;
  onChoose: (id: string) => void;
}) {
  const now = useNow();
  const zone = useZone();
  const body = useRef<HTMLTableSectionElement>(null);
  useEffect(() => {
    body.current?.querySelector('tr.sel')?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <table className="grid">
      <thead>
        <tr>
          <th>Name</th>
          <th>Stage</th>
          <th>Horizon</th>
          {!narrow && <th className="hide-narrow">Wants</th>}
          {!narrow && <th className="hide-narrow">Last spoke</th>}
          <th className="n hide-narrow">Tries</th>
          <th className="hide-narrow">Next touch</th>
          {!narrow && <th className="hide-narrow">Tags</th>}
          <th className="hide-narrow">Agent</th>
        </tr>
      </thead>
      <tbody ref={body}>
        {rows.map((row) => {
          const next = row.next_touch ? new Date(row.next_touch.at) : null;
          const late = next !== null && next < now;
          return (
            <tr key={row.id} className={`open${row.id === chosen ? ' sel' : ''}`} onClick={() => onChoose(row.id)}>
              <td className="cut strong" dir="auto">
                <button
                  type="button"
                  className="row"
                  style={{ padding: 0, margin: 0, display: 'block' }}
                  aria-current={row.id === chosen}
                >
                  {nameOf(row)}
                </button>
              </td>
              <td className="nowrap">{row.stage.name}</td>
              <td>
                <Strokes horizon={row.horizon} />
              </td>
              {!narrow && <td className="cut hide-narrow">{wantsLine(row.wants)}</td>}
              {!narrow && (
                <td className="hide-narrow">
                  {row.calls.last_reached_at ? <Ago at={row.calls.last_reached_at} /> : <span className="soft">never</span>}
                </td>
              )}
              <td className="n hide-narrow">{row.calls.attempts}</td>
              <td className={`nowrap hide-narrow${late ? ' late' : ''}`} suppressHydrationWarning>
                {next ? (
                  late ? (
                    `overdue ${Math.floor((now.getTime() - next.getTime()) / 86_400_000) || '<1'} d`
                  ) : (
                    when(next, now, zone)
                  )
                ) : (
                  <span className="soft">–</span>
                )}
              </td>
              {!narrow && (
                <td className="cut hide-narrow">
                  {row.tags.slice(0, 2).map((tag) => (
                    <span key={tag} className="tag">
                      {tag}
                    </span>
                  ))}
                </td>
              )}
              <td className="cut soft hide-narrow">{row.owner?.name.split(' ')[0]}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function wantsLine(wants: Record<string, unknown>): string {
  const beds = wants.bedrooms ? `${String(wants.bedrooms)} bd` : null;
  const price = typeof wants.price_max === 'number' ? `to ${wants.price_max.toLocaleString('en-US')}` : null;
  return [beds, price].filter(Boolean).join(', ');
}

/** Reads on when the end of the list comes into sight. */
function More({ going, more, onMore }: { going: boolean; more: boolean; onMore: () => void }) {
  const end = useRef<HTMLButtonElement>(null);
  const latest = useRef(onMore);
  useEffect(() => {
    latest.current = onMore;
  });
  useEffect(() => {
    if (!more || going || !end.current) return;
    const watcher = new IntersectionObserver((seen) => seen.some((one) => one.isIntersecting) && latest.current(), {
      rootMargin: '400px',
    });
    watcher.observe(end.current);
    return () => watcher.disconnect();
  }, [more, going]);
  if (!more) return null;
  return (
    <button ref={end} type="button" className="chip" style={{ margin: '12px 0' }} onClick={onMore} disabled={going}>
      {going ? 'Reading …' : 'More'}
    </button>
  );
}
