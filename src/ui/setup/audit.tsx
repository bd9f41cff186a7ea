'use client';
/** Who changed access, settings, routing or the data as a whole. It is only ever added to. */
import { useInfiniteQuery } from '@tanstack/react-query';
import { ask, useFormat, useZone } from '../primitives';
import { Button, ListLine, Skeleton, Text } from '../kit';
import { Block } from './block';

export function Audit() {
  const format = useFormat();
  const zone = useZone();
  const audit = useInfiniteQuery({
    queryKey: ['audit'],
    queryFn: ({ pageParam }) => ask('GET /audit', { query: { limit: 50, ...(pageParam ? { cursor: pageParam } : {}) } }),
    initialPageParam: '',
    getNextPageParam: (last) => last.next_cursor,
  });
  const lines = audit.data?.pages.flatMap(({ items }) => items);
  return (
    <Block
      title="Audit"
      note="Who changed access, settings, routing, or the data as a whole. Nothing here can be edited or deleted."
    >
      {audit.isPending && <Skeleton lines={8} height={28} label="Loading audit" />}
      {lines?.length === 0 && <Text tone="soft">Nothing yet.</Text>}
      {lines?.map(({ id, at, by, does, about }) => (
        <ListLine
          key={id}
          end={
            <Text tone="soft" small nowrap>
              {format.dayAndTime(new Date(at), zone)}
            </Text>
          }
        >
          <Text strong>{by ?? 'Urraca'}</Text> {does}
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
