'use client';
/** Lead sources: names that leads brought and nobody has looked at, to keep or to call by another; merges can be taken back. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { SourceView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { Ago, ask, freshKey } from '../primitives';
import { Button, Select, useToast } from '../kit';

type Source = Jsoned<SourceView>;
const people = (n: number): string => `${n.toLocaleString('en-US')} ${n === 1 ? 'person' : 'people'}`;

function useSources() {
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
      toast.tell(`One source now; ${people(made.people)} moved. You can undo this under Sources.`);
    },
    onError: toast.fail,
  });
  return { sources: list.data ?? [], keep: save, merge, split };
}

/** Beside the doors: what is new, and the way to all of them. */
export function Sources() {
  const { sources, keep: save, merge, split } = useSources();
  const [open, setOpen] = useState(false);
  const fresh = sources.filter(({ state }) => state === 'proposed');
  const known = sources.filter(({ state }) => state === 'known');
  const same = (source: Source) => (
    <Select
      aria-label={`${source.name} is the same as`}
      value=""
      disabled={merge.isPending}
      onChange={(event) => event.target.value && merge.mutate({ id: source.id, into: event.target.value })}
    >
      <option value="">is the same as…</option>
      {known
        .filter(({ id }) => id !== source.id)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </Select>
  );
  return (
    <section aria-label="Sources">
      <div className="beside" style={{ justifyContent: 'space-between' }}>
        <h2>Sources</h2>
        <Button size="tiny" onClick={() => setOpen(true)}>
          All {known.length.toLocaleString('en-US')}
        </Button>
      </div>
      {fresh.length === 0 && <p className="soft small">No new names.</p>}
      {fresh.map((source) => (
        <div key={source.id} className="pair">
          <span>
            <b dir="auto">{source.name}</b> <span className="tag">new</span>
            <span className="soft small" style={{ display: 'block' }}>
              {people(source.people)} · first <Ago at={source.first_at} />
            </span>
          </span>
          <span className="beside">
            <Button size="tiny" aria-label={`${source.name} is one of our sources`} onClick={() => save.mutate(source.id)}>
              Ours
            </Button>
            {same(source)}
          </span>
        </div>
      ))}
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="sm" aria-labelledby="sources-title">
          <div className="dialog">
            <h1 id="sources-title">Lead sources</h1>
            <p className="soft">
              Two names for one source show up as two lines in Results. Merge them, and contacts, doors, segments, and rungs
              follow.
            </p>
            {sources.map((source) => (
              <div key={source.id} className="pair">
                <span>
                  <b dir="auto">{source.name}</b> {source.state === 'proposed' && <span className="tag">new</span>}
                  <span className="soft small" style={{ display: 'block' }}>
                    {source.state === 'merged' ? `is called “${source.into_name}”` : people(source.people)}
                  </span>
                </span>
                {source.state === 'merged'
                  ? source.merge_id && (
                      <Button size="tiny" disabled={split.isPending} onClick={() => split.mutate(source.merge_id!)}>
                        Separate
                      </Button>
                    )
                  : same(source)}
              </div>
            ))}
            <div>
              <Button onClick={() => setOpen(false)}>Close</Button>
            </div>
          </div>
        </Dialog>
      )}
    </section>
  );
}
