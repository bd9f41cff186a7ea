'use client';
/**
 * The list of contacts as the grid reads it: a few pages around what is in sight, however long it is. What changes about one contact re-reads that
 * contact alone, and only while it is among them.
 */
import { useCallback, useMemo } from 'react';
import { keepPreviousData, useInfiniteQuery, useQuery, type InfiniteData } from '@tanstack/react-query';
import { ask, type ApiAnswer } from '../primitives';
import { FIRST_PAGE, keyOfList, orderedQuestion, PAGE_ROWS } from './asked';
import type { Contact } from './types';

/** Pages in memory: more than a screen holds, few enough to read again. */
const MOST_PAGES = 6;
type Page = ApiAnswer<'GET /contacts'>;
/** Where a page begins: how many stand before it, and the markers of the pages up to it, so that one can go back to those that were let go. */
interface From {
  before: number;
  marks: string[];
}
export type ContactPages = InfiniteData<Page, From>;

export interface ContactList {
  /** What is in memory; the first of it stands at `offset` in the list. */
  rows: Contact[];
  offset: number;
  total: number | undefined;
  capped: boolean;
  approximate: boolean;
  settled: boolean;
  error: string | null;
  /** Reads on where the first or the last place in sight leaves what is in memory. */
  see: (first: number, last: number) => void;
}

export function useContacts(question: Record<string, string>, sort: string, descending: boolean, ready: boolean): ContactList {
  const asked = orderedQuestion(question, sort, descending);
  const found = useInfiniteQuery<Page, Error, ContactPages, string[], From>({
    queryKey: keyOfList(asked),
    queryFn: ({ pageParam: { marks } }) => {
      const cursor = marks.at(-1);
      return ask('GET /contacts', {
        query: new URLSearchParams({ ...asked, limit: String(PAGE_ROWS), ...(cursor ? { cursor } : {}) }),
      });
    },
    initialPageParam: FIRST_PAGE,
    getNextPageParam: (last, _, { before, marks }): From | undefined =>
      last.next_cursor ? { before: before + PAGE_ROWS, marks: [...marks, last.next_cursor] } : undefined,
    getPreviousPageParam: (_, __, { before, marks }): From | undefined =>
      before > 0 ? { before: before - PAGE_ROWS, marks: marks.slice(0, -1) } : undefined,
    maxPages: MOST_PAGES,
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
  const rows = useMemo(() => found.data?.pages.flatMap((page) => page.items) ?? [], [found.data]);
  const offset = found.data?.pageParams[0]?.before ?? 0;
  const { fetchNextPage, hasNextPage, fetchPreviousPage, hasPreviousPage, isFetching } = found;
  const see = useCallback(
    (from: number, to: number) => {
      if (isFetching) return;
      if (hasPreviousPage && from < offset + 5) void fetchPreviousPage();
      else if (hasNextPage && to >= offset + rows.length - 5) void fetchNextPage();
    },
    [isFetching, hasPreviousPage, hasNextPage, fetchPreviousPage, fetchNextPage, offset, rows.length],
  );
  const counted = first?.total_capped ? exact.data?.count : first?.total;
  return {
    rows,
    offset,
    total: counted ?? first?.total,
    capped: Boolean(first?.total_capped) && exact.data === undefined,
    approximate: first?.approximate ?? false,
    settled: !found.isPending && !found.isPlaceholderData,
    error: found.isError ? found.error.message : null,
    see,
  };
}

/** The same pages with one contact as it is now. */
export const withContact = (pages: ContactPages | undefined, contact: Contact): ContactPages | undefined =>
  pages?.pages.some(({ items }) => items.some(({ id }) => id === contact.id))
    ? {
        ...pages,
        pages: pages.pages.map((page) => ({ ...page, items: page.items.map((one) => (one.id === contact.id ? contact : one)) })),
      }
    : pages;
