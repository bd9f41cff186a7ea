'use client';
/** Who changed access, settings, routing or the data as a whole. It is only ever added to. */
import { useDeferredValue, useState } from 'react';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { ask, useFormat, useZone } from '../primitives';
import { Button, Input, ListLine, Skeleton, Text } from '../kit';
import { Block } from './block';

export function Audit() {
  const format = useFormat();
  const zone = useZone();
  const [q, setQ] = useState('');
  const asked = useDeferredValue(q.trim());
  const audit = useInfiniteQuery({
    queryKey: ['audit', asked],
    placeholderData: keepPreviousData,
    queryFn: ({ pageParam }) =>
      ask('GET /audit', { query: { limit: 50, ...(asked && { q: asked }), ...(pageParam ? { cursor: pageParam } : {}) } }),
    initialPageParam: '',
    getNextPageParam: (last) => last.next_cursor,
  });
  const lines = audit.data?.pages.flatMap(({ items }) => items);
  return (
    <Block
      title="Audit"
      note="Who changed access, settings, routing, or the data as a whole. Nothing here can be edited or deleted."
    >
      <Input
        type="search"
        aria-label="Search the audit"
        placeholder="Who, what, or whom"
        value={q}
        onChange={({ target }) => setQ(target.value)}
      />
      {audit.isPending && <Skeleton lines={8} height={28} label="Loading audit" />}
      {lines?.length === 0 && <Text tone="soft">{asked ? 'Nothing found.' : 'Nothing yet.'}</Text>}
      {lines?.map(({ id, at, by, key, does, about }) => (
        <ListLine
          key={id}
          end={
            <Text tone="soft" small nowrap>
              {format.dayAndTime(new Date(at), zone)}
            </Text>
          }
        >
          <Text strong>{by ?? (key ? `API key “${key}”` : 'Urraca')}</Text> {does}
          {about && `: ${about}`}
        </ListLine>
      ))}
      {audit.hasNextPage && (
        <div>
          <Button size="small" disabled={audit.isFetchingNextPage} onClick={() => void audit.fetchNextPage()}>
            Earlier
          </Button>
        </div>
      )}
    </Block>
  );
}
