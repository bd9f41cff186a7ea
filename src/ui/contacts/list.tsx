'use client';
/** Contacts: segments on a shelf, the filter as a sentence with its count, the grid, the Dossier beside it, and what can be done to many. */
import type { Question } from '@/core/segments';
import { useCallback, useMemo, useState } from 'react';
import { useRouter, useSearchParams } from 'next/navigation';
import { BulkBar, howMany, NOBODY } from '../changes';
import { NO_WORDS, useIsNarrow, useShortcuts, useVocabulary } from '../primitives';
import { Sentence, Shelf, useSegments, type Segment } from '../segments';
import { Area, EmptyState, Row, SentenceBar, Skeleton, Text } from '../kit';
import { DataMenu } from './data-menu';
import { ColumnChooser } from './column-chooser';
import { COLUMNS, fieldColumn, NARROW_COLUMNS, PHONE_COLUMNS } from './columns';
import { useGridLayout } from './grid-columns';
import { Dossier } from './dossier';
import { Grid, type Editing } from './grid';
import { HistoryDialog } from './later';
import { Behind, Count, NO_NUMBER, SearchField } from './list-head';
import { FIRST_ORDER, questionOf } from './asked';
import { treeShown, useAsked } from './question';
import { useContacts } from './use-contacts';
import { usePlace } from './use-place';

const NOBODY_YET = 'No contacts yet. Add your first lead, import a file, or share your public page.';
/** How far Page Down goes. */
const SCREEN = 12;

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
  const allColumns = useMemo(() => [...COLUMNS, ...vocabulary.fields.map(fieldColumn)], [vocabulary.fields]);
  const { layout, save } = useGridLayout(allColumns);
  const [history, setHistory] = useState(false);
  const [editing, setEditing] = useState<Editing | null>(null);
  const [openId, setOpenId] = useOpened();
  const question = questionOf(query);
  const key = JSON.stringify(question);
  const list = useContacts(
    question,
    layout?.sort ?? FIRST_ORDER.sort,
    layout?.descending ?? FIRST_ORDER.descending,
    layout !== null,
  );
  const { rows, offset, total } = list;
  const place = usePlace(key, list);
  const opened = openId ? rows.findIndex((row) => row.id === openId) : -1;
  const cursor = opened >= 0 ? offset + opened : place.at;
  const last = offset + rows.length - 1;
  const atCursor = rows[cursor - offset];

  const open = (n: number) => {
    const row = rows[n - offset];
    if (!row) return;
    place.setAt(n);
    setOpenId(row.id);
  };
  const goTo = (next: number) => {
    const to = Math.max(0, Math.min(last, next));
    if (openId) open(to);
    else if (rows[to - offset] || to <= last) place.setAt(to);
  };
  const edit = (column: Editing['column']) => {
    if (atCursor && !readOnly) setEditing({ contact: atCursor, column });
  };
  useListKeys({ cursor, last, goTo, open: () => (openId ? router.push(`/contacts/${openId}`) : open(cursor)) });
  useGridKeys({ readOnly, cursor, last, place, edit, onHistory: () => setHistory(true) });
  const narrow = useIsNarrow();
  const shown = narrow ? PHONE_COLUMNS : openId ? NARROW_COLUMNS : (layout?.columns.map((column) => column.key) ?? []);
  const shownKey = shown.join(' ');
  const columns = useMemo(
    () => shownKey.split(' ').flatMap((name) => allColumns.find((column) => column.key === name) ?? []),
    [shownKey, allColumns],
  );
  const dossier = openId && (
    <Dossier contactId={openId} readOnly={readOnly} onClose={() => setOpenId(null)} onNext={() => goTo(cursor + 1)} />
  );
  return (
    <>
      <Area label="Contacts" fill side={dossier}>
        <Row spread align="start" gap={3} wrap={openId !== null || narrow}>
          <Shelf
            openId={query.segmentId}
            unsaved={query.where}
            readOnly={readOnly}
            onOpen={openSegment}
            onSaved={(segment) => address({ segment: segment.id, where: null })}
          />
          <Row wrap={false}>
            <SearchField asked={query.q} onSearch={(q) => address({ q })} />
            {layout && !openId && !narrow && <ColumnChooser all={allColumns} layout={layout} onLayout={save} />}
            {!readOnly && <DataMenu onHistory={() => setHistory(true)} />}
          </Row>
        </Row>
        <SentenceBar>
          <Behind query={query} users={users} total={total} onClear={() => address(NO_NUMBER)} />
          <Row spread align="end" gap={6}>
            <Sentence tree={treeShown(query, segments)} onChange={(tree) => address({ where: JSON.stringify(tree) })} />
            <Count question={question} list={list} />
          </Row>
        </SentenceBar>
        {list.error && <Text tone="late">{list.error}</Text>}
        {layout && list.settled && rows.length === 0 ? (
          <EmptyState>{key === '{}' ? NOBODY_YET : 'No matches. Remove a condition, or try fewer letters.'}</EmptyState>
        ) : layout && (list.settled || rows.length > 0) ? (
          <Grid
            list={list}
            columns={columns}
            fit={narrow}
            layout={layout}
            onLayout={save}
            at={cursor}
            openId={openId}
            chosen={place.chosen}
            readOnly={readOnly}
            editing={editing}
            onEdit={setEditing}
            onOpen={open}
            /* Nobody is selected in a list that is about to be another. */
            maySelect={!readOnly && list.settled}
            onToggle={(n, range) => !readOnly && list.settled && place.toggle(n, range)}
            onToggleAll={() => !readOnly && list.settled && place.toggleAll()}
          />
        ) : (
          !list.error && <Skeleton lines={14} height={40} label="Loading contacts" />
        )}
      </Area>
      {!readOnly && (
        <BulkBar
          chosen={place.chosen}
          total={Math.max(total ?? 0, howMany({ ...place.chosen, all: false }, 0))}
          question={typedQuestion(question)}
          office={office}
          onChoose={place.select}
        />
      )}
      {history && <HistoryDialog onClose={() => setHistory(false)} />}
    </>
  );
}

/** Going about in the list. */
function useListKeys({
  cursor,
  last,
  goTo,
  open,
}: {
  cursor: number;
  last: number;
  goTo: (n: number) => void;
  open: () => void;
}): void {
  useShortcuts('list', {
    next: () => goTo(cursor + 1),
    previous: () => goTo(cursor - 1),
    pageDown: () => goTo(cursor + SCREEN),
    pageUp: () => goTo(cursor - SCREEN),
    first: () => goTo(0),
    last: () => goTo(last),
    open,
  });
}

/** Selecting people, and changing the one that one is at. */
function useGridKeys({
  readOnly,
  cursor,
  last,
  place,
  edit,
  onHistory,
}: {
  readOnly: boolean;
  cursor: number;
  last: number;
  place: ReturnType<typeof usePlace>;
  edit: (column: Editing['column']) => void;
  onHistory: () => void;
}): void {
  useShortcuts('grid', {
    ...(!readOnly && {
      select: () => place.toggle(cursor, false),
      selectDown: () => place.toggle(Math.min(last, cursor + 1), true),
      selectUp: () => place.toggle(Math.max(0, cursor - 1), true),
      selectAll: () => place.select({ all: true, ids: new Set() }),
      selectNone: () => place.select(NOBODY),
      stage: () => edit('stage'),
      horizon: () => edit('horizon'),
      tags: () => edit('tags'),
      nextTouch: () => edit('next_touch'),
    }),
    filter: () => document.querySelector<HTMLElement>('[data-add-condition]')?.click(),
    history: onHistory,
  });
}

/** Puts the question into the address, without asking the server for the page again; opening a segment can be gone back from. */
function address(change: Record<string, string | null>, how: 'pushState' | 'replaceState' = 'replaceState'): void {
  const next = new URLSearchParams(window.location.search);
  for (const [name, value] of Object.entries(change)) {
    if (value) next.set(name, value);
    else next.delete(name);
  }
  next.delete('stage');
  window.history[how](null, '', `/contacts${next.size ? `?${next}` : ''}`);
}
const openSegment = (segment: Segment | null): void =>
  address({ segment: segment?.id ?? null, where: null, q: null, ...NO_NUMBER }, 'pushState');

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
