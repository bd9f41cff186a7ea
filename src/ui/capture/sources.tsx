'use client';
/** Lead sources: names that leads brought and nobody has looked at, to keep or to call by another; merges can be taken back. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { SourceView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useFormat } from '../primitives';
import { Ago, Button, Chip, Combo, Dialog, ListLine, Section, Text, useToast } from '../kit';

type Source = Jsoned<SourceView>;

function useSources() {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const after = () => {
    for (const key of ['sources', 'doors', 'inquiries', 'contacts', 'vocabulary'])
      void queries.invalidateQueries({ queryKey: [key] });
  };
  const list = useQuery({
    queryKey: ['sources'],
    queryFn: async () => (await ask('GET /sources')).items,
    refetchInterval: 30_000,
  });
  const save = useMutation({
    mutationFn: (id: string) => ask('PATCH /sources/{id}', { params: { id }, body: {} }),
    onSuccess: after,
    onError: toast.fail,
  });
  const split = useMutation({
    mutationFn: (mergeId: string) => ask('POST /source-merges/{id}/undo', { params: { id: mergeId }, headers: freshKey() }),
    onSuccess: () => {
      after();
      toast.tell('Separated. Leads that came in meanwhile stay where they are.');
    },
    onError: toast.fail,
  });
  const merge = useMutation({
    mutationFn: ({ id, into }: { id: string; into: string }) =>
      ask('POST /sources/{id}/merge', { params: { id }, body: { into_id: into }, headers: freshKey() }),
    onSuccess: (made) => {
      after();
      toast.tell(`One source now; ${format.count(made.people, 'person', 'people')} moved.`, () => split.mutate(made.id));
    },
    onError: toast.fail,
  });
  return { sources: list.data ?? [], keep: save, merge, split };
}

/** Beside the doors: what is new, and the way to all of them. */
export function Sources() {
  const format = useFormat();
  const { sources, keep: save, merge, split } = useSources();
  const [open, setOpen] = useState(false);
  const fresh = sources.filter(({ state }) => state === 'proposed');
  const known = sources.filter(({ state }) => state === 'known');
  const same = (source: Source) => (
    <Combo
      label={`${source.name} is the same as`}
      placeholder="Same as…"
      width={170}
      disabled={merge.isPending}
      options={known.filter(({ id }) => id !== source.id).map(({ id, name }) => ({ value: id, name }))}
      onPick={(into) => merge.mutate({ id: source.id, into })}
    />
  );
  return (
    <Section
      id="sources"
      tabIndex={-1}
      title="Sources"
      end={
        <Button size="tiny" onClick={() => setOpen(true)}>
          All {known.length}
        </Button>
      }
    >
      {fresh.length === 0 && (
        <Text tone="soft" small>
          No new names.
        </Text>
      )}
      {fresh.map((source) => (
        <ListLine
          key={source.id}
          end={
            <>
              <Button size="tiny" aria-label={`${source.name} is one of our sources`} onClick={() => save.mutate(source.id)}>
                Ours
              </Button>
              {same(source)}
            </>
          }
        >
          <SourceName source={source} />
          <Text tone="soft" small block>
            {format.count(source.people, 'person', 'people')} · first <Ago at={source.first_at} />
          </Text>
        </ListLine>
      ))}
      {open && (
        <Dialog title="Lead sources" width="sm" onClose={() => setOpen(false)}>
          <Text as="p" tone="soft">
            Two names for one source show up as two lines in Results. Merge them, and contacts, doors, segments, and rungs follow.
          </Text>
          {sources.map((source) => (
            <ListLine
              key={source.id}
              end={
                source.state === 'merged'
                  ? source.merge_id && (
                      <Button size="tiny" disabled={split.isPending} onClick={() => split.mutate(source.merge_id!)}>
                        Separate
                      </Button>
                    )
                  : same(source)
              }
            >
              <SourceName source={source} />
              <Text tone="soft" small block>
                {source.state === 'merged' ? `now called “${source.into_name}”` : format.count(source.people, 'person', 'people')}
              </Text>
            </ListLine>
          ))}
        </Dialog>
      )}
    </Section>
  );
}

const SourceName = ({ source }: { source: Source }) => (
  <>
    <Text strong dir="auto">
      {source.name}
    </Text>{' '}
    {source.state === 'proposed' && <Chip>new</Chip>}
  </>
);
