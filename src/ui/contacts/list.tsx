'use client';
/** Contacts: segments on a shelf, the question as a sentence with its count, the grid, the Dossier beside it, and what can be done to many. */
import type { Question } from '@/core/segments';
import { useCallback, useRef, useState } from 'react';
import { useRouter, useSearchParams } from 'next/navigation';
import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import type { Tree } from '@/core/segments';
import { hourOf, MEASURES } from '@/core/results';
import { BulkBar, choose, HistoryDialog, howMany, isChosen, NOBODY, type Chosen } from '../changes';
import { ask, NO_WORDS, useKeys, useVocabulary } from '../primitives';
import { Sentence, Shelf, useSegments, type Segment } from '../segments';
import { DataMenu } from './data-menu';
import { ColumnChooser } from './column-chooser';
import { COLUMNS, fieldColumn, NARROW_COLUMNS } from './columns';
import { useGridLayout } from './grid-columns';
import { Dossier } from './dossier';
import { Grid } from './grid';
import { questionOf, treeShown, useAsked } from './question';
import './contacts.css';
import { Button, Input } from '../kit';
const PAGE = 50;

export function ContactsArea({
  readOnly,
  office,
  users,
}: {
  readOnly: boolean;
  office: boolean;
  users: { id: string; name: string }[];
}) {
  const router = useRouter();
  const query = useAsked();
  const { data: segments = [] } = useSegments();
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const allColumns = [...COLUMNS, ...vocabulary.fields.map(fieldColumn)];
  const { layout, save } = useGridLayout(allColumns);
  const [history, setHistory] = useState(false);
  const [openId, setOpenId] = useOpened();
  const question = questionOf(query);
  const list = useContacts(question, layout?.sort ?? 'created', layout?.descending ?? true, layout !== null);
  const [{ at, chosen, from, of }, setPlace] = useState<{ at: number; chosen: Chosen; from: number; of: string }>({
    at: -1,
    chosen: NOBODY,
    from: -1,
    of: '',
  });
  const key = JSON.stringify(question);
  const place = of === key ? at : -1;
  const picked = of === key ? chosen : NOBODY;
  const setAt = (next: number) => setPlace({ at: next, chosen: picked, from: next, of: key });
  const { rows, total } = list;
  const cursor = openId ? rows.findIndex((row) => row.id === openId) : place;

  /** Puts the question into the address, without asking the server for the page again; opening a segment can be gone back from. */
  const ask_ = (change: Record<string, string | null>, how: 'pushState' | 'replaceState' = 'replaceState') => {
    const next = new URLSearchParams(window.location.search);
    for (const [name, value] of Object.entries(change)) {
      if (value) next.set(name, value);
      else next.delete(name);
    }
    next.delete('stage');
    window.history[how](null, '', `/contacts${next.size ? `?${next}` : ''}`);
  };
  const write = (tree: Tree) => ask_({ where: JSON.stringify(tree) });
  const openSegment = (segment: Segment | null) =>
    ask_({ segment: segment?.id ?? null, where: null, q: null, ...NO_NUMBER }, 'pushState');

  const goTo = (next: number) => {
    const to = Math.max(0, Math.min(rows.length - 1, next));
    if (!rows[to]) return;
    setAt(to);
    if (openId) setOpenId(rows[to].id);
  };
  const toggle = (n: number, range: boolean) => {
    const row = rows[n];
    if (!row) return;
    const on = !isChosen(picked, row.id);
    const [low, high] = range && from >= 0 && of === key ? [Math.min(from, n), Math.max(from, n)] : [n, n];
    setPlace({
      at: n,
      chosen: choose(
        picked,
        rows.slice(low, high + 1).map(({ id }) => id),
        range ? true : on,
      ),
      from: n,
      of: key,
    });
  };
  const toggleAll = () =>
    setPlace({
      at: place,
      chosen: choose(
        picked,
        rows.map(({ id }) => id),
        !rows.every((row) => isChosen(picked, row.id)),
      ),
      from,
      of: key,
    });
  useKeys({
    j: () => goTo(cursor + 1),
    k: () => goTo(cursor - 1),
    ArrowDown: (event) => (event.shiftKey ? (toggle(cursor + 1, true), undefined) : goTo(cursor + 1)),
    ArrowUp: (event) => (event.shiftKey ? (toggle(cursor - 1, true), undefined) : goTo(cursor - 1)),
    PageDown: () => goTo(cursor + 12),
    PageUp: () => goTo(cursor - 12),
    Home: () => goTo(0),
    End: () => goTo(rows.length - 1),
    Enter: () => (openId ? router.push(`/contacts/${openId}`) : rows[cursor] && setOpenId(rows[cursor].id)),
    x: () => !readOnly && toggle(cursor, false),
    'shift+A': () => !readOnly && setPlace({ at: place, chosen: { all: true, ids: new Set() }, from, of: key }),
    'shift+X': () => setPlace({ at: place, chosen: NOBODY, from: -1, of: key }),
    f: () => document.querySelector<HTMLElement>('[data-add-condition]')?.click(),
    h: () => setHistory(true),
  });
  const { more } = list;
  const columns = (openId ? NARROW_COLUMNS.map((name) => ({ key: name })) : (layout?.columns ?? [])).map(({ key: name }) =>
    allColumns.find((column) => column.key === name)!,
  );
  const tree = treeShown(query, segments);
  return (
    <div className={`area${openId ? ' with-dossier' : ''}`}>
      <section aria-label="Contacts" className="contacts">
        <div className="top">
          <Shelf
            openId={query.segmentId}
            unsaved={query.where}
            readOnly={readOnly}
            onOpen={openSegment}
            onSaved={(segment) => ask_({ segment: segment.id, where: null })}
          />
          <div className="tools">
            <SearchField asked={query.q} onSearch={(q) => ask_({ q })} />
            {layout && !openId && <ColumnChooser all={allColumns} layout={layout} onLook={save} />}
            {!readOnly && <DataMenu onHistory={() => setHistory(true)} />}
          </div>
        </div>
        <div className="asking">
          <Behind query={query} users={users} total={total} onClear={() => ask_(NO_NUMBER)} />
          <Sentence tree={tree} onChange={write} />
          <Count question={question} total={total} capped={list.capped} approximate={list.approximate} />
        </div>
        {list.error && <p className="late">{list.error}</p>}
        {layout && (
          <Grid
            rows={rows}
            columns={columns}
            layout={layout}
            onLook={save}
            at={cursor}
            openId={openId}
            chosen={picked}
            total={total ?? rows.length}
            onOpen={(n) => {
              setAt(n);
              setOpenId(rows[n]!.id);
            }}
            onToggle={(n, range) => !readOnly && toggle(n, range)}
            onToggleAll={() => !readOnly && toggleAll()}
            onEnd={more}
          />
        )}
        {list.settled && rows.length === 0 && (
          <p className="empty">
            {key !== '{}'
              ? 'No matches. Remove a condition, or try fewer letters.'
              : 'No contacts yet. Press n to add your first lead, import a file, or share your public page.'}
          </p>
        )}
      </section>
      {openId && (
        <Dossier contactId={openId} readOnly={readOnly} onClose={() => setOpenId(null)} onNext={() => goTo(cursor + 1)} />
      )}
      {!readOnly && (
        <BulkBar
          chosen={picked}
          total={Math.max(total ?? 0, howMany({ ...picked, all: false }, 0))}
          question={typedQuestion(question)}
          office={office}
          onChoose={(next) => setPlace({ at: place, chosen: next, from, of: key })}
        />
      )}
      {history && <HistoryDialog onClose={() => setHistory(false)} />}
    </div>
  );
}

const typedQuestion = (question: Record<string, string>): Question =>
  question.days ? { ...question, days: Number(question.days) } : question;

/** The person whose Dossier is open, in the address; without asking the server for the page again. */
function useOpened(): [string | null, (id: string | null) => void] {
  const id = useSearchParams().get('contact');
  const open = useCallback((next: string | null) => {
    const params = new URLSearchParams(window.location.search);
    if (next) params.set('contact', next);
    else params.delete('contact');
    window.history.replaceState(null, '', `/contacts${params.size ? `?${params}` : ''}`);
  }, []);
  return [id, open];
}

function useContacts(question: Record<string, string>, sort: string, descending: boolean, ready: boolean) {
  const asked = { ...question, sort, order: descending ? 'desc' : 'asc' };
  const filter = new URLSearchParams(asked).toString();
  const found = useInfiniteQuery({
    queryKey: ['contacts', filter],
    queryFn: ({ pageParam }) =>
      ask('GET /contacts', {
        query: new URLSearchParams({ ...asked, limit: String(PAGE), ...(pageParam ? { cursor: pageParam } : {}) }),
      }),
    initialPageParam: '',
    getNextPageParam: (last) => last.next_cursor,
    placeholderData: keepPreviousData,
    enabled: ready,
  });
  const first = found.data?.pages[0];
  const exact = useQuery({
    queryKey: ['contacts', 'count', new URLSearchParams(question).toString()],
    queryFn: () => ask('GET /contacts/count', { query: new URLSearchParams(question) }),
    enabled: first?.total_capped === true,
    placeholderData: keepPreviousData,
  });
  const { fetchNextPage, hasNextPage, isFetchingNextPage } = found;
  const more = useCallback(() => {
    if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [fetchNextPage, hasNextPage, isFetchingNextPage]);
  const counted = first?.total_capped ? exact.data?.count : first?.total;
  return {
    rows: found.data?.pages.flatMap((page) => page.items) ?? [],
    total: counted ?? first?.total,
    capped: Boolean(first?.total_capped) && exact.data === undefined,
    approximate: first?.approximate ?? false,
    settled: !found.isPending && !found.isPlaceholderData,
    error: found.isError ? found.error.message : null,
    more,
  };
}

function Count({
  question,
  total,
  capped,
  approximate,
}: {
  question: Record<string, string>;
  total?: number;
  capped: boolean;
  approximate: boolean;
}) {
  if (total === undefined) return <div className="count" />;
  return (
    <div className="count" aria-live="polite" data-question={Object.keys(question).join(' ')}>
      <b>
        {approximate ? 'about ' : ''}
        {total.toLocaleString('en-US')}
        {capped ? '+' : ''}
      </b>{' '}
      {total === 1 ? 'person' : 'people'}
      {approximate && <span className="soft small">, similar spelling</span>}
    </div>
  );
}

/** Search keeps the letters while one types, and asks a moment after the last one. */
function SearchField({ asked, onSearch }: { asked: string; onSearch: (q: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  return (
    <Input
      type="search"
      width={250}
      aria-label="Search contacts"
      placeholder="Name, phone, email, city, tag"
      value={typed ?? asked}
      onBlur={() => setTyped(null)}
      onChange={(event) => {
        const next = event.target.value;
        setTyped(next);
        clearTimeout(timer.current);
        timer.current = setTimeout(() => onSearch(next.trim()), 120);
      }}
    />
  );
}

/** What the page is about: for people behind a number of Results which number, otherwise the contacts. */
/** A list that is not the people of a number. */
const NO_NUMBER = { measure: null, agent: null, door: null, roster: null, hour: null, days: null };
const WEEKDAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];
const hoursWords = (key: string): string | null => {
  const hour = hourOf(key);
  return hour && `${WEEKDAYS[hour.day - 1]} from ${hour.hour}:00`;
};

function Behind({
  query,
  users,
  total,
  onClear,
}: {
  query: ReturnType<typeof useAsked>;
  users: { id: string; name: string }[];
  total?: number;
  onClear: () => void;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const measure = MEASURES.find((one) => one.key === query.measure);
  if (!measure) return <h1 className="unseen">Contacts</h1>;
  const agent = users.find(({ id }) => id === query.agent)?.name;
  const { door, roster, hour } = query.by;
  const came = [
    door && vocabulary.names.door?.find(({ value }) => value === door)?.name,
    roster && vocabulary.names.roster?.find(({ value }) => value === roster)?.name,
    hour && hoursWords(hour),
  ].filter(Boolean);
  return (
    <div className="behind">
      <h1>
        {total?.toLocaleString('en-US')} {measure.name.toLowerCase()}
        {agent ? `, ${agent}` : ''}
        {came.map((one) => `, ${one}`)}, last {query.days} days
      </h1>
      <span className="soft small">{measure.definition}</span>{' '}
      <Button size="small" onClick={onClear}>
        All contacts
      </Button>
    </div>
  );
}
