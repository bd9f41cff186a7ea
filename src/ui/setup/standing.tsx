'use client';
/** Stages and horizons in the account's own words; a horizon with its rhythm. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, useNotices } from '../primitives';
import { Block } from './block';

interface Row {
  key: string;
  name: string;
  meaning: string;
  people: number;
  rhythm_days?: number;
}
const BLOCKS = {
  stages: {
    title: 'Stages',
    note: 'Where somebody stands. They move by themselves from New to Talking; the names and meanings are yours.',
  },
  horizons: {
    title: 'Horizons',
    note: 'When somebody means to move, and how often to be in touch. Another rhythm moves the next touch of everybody it holds for.',
  },
};

export function Standing({ kind }: { kind: keyof typeof BLOCKS }) {
  const { data: rows } = useQuery({ queryKey: [kind], queryFn: async () => (await ask<{ items: Row[] }>(`/${kind}`)).items });
  return (
    <Block {...BLOCKS[kind]}>
      {rows?.map((row) => (
        <Line key={`${row.key} ${row.name} ${row.meaning} ${row.rhythm_days}`} kind={kind} row={row} />
      ))}
    </Block>
  );
}

function Line({ kind, row }: { kind: keyof typeof BLOCKS; row: Row }) {
  const [form, setForm] = useState(row);
  const queries = useQueryClient();
  const notices = useNotices();
  const keep = useMutation({
    mutationFn: () =>
      ask(`/${kind}`, 'PATCH', {
        key: row.key,
        name: form.name,
        meaning: form.meaning,
        ...(form.rhythm_days ? { rhythm_days: form.rhythm_days } : {}),
      }),
    onSuccess: () => {
      notices.tell(`“${form.name}” is kept.`);
      void queries.invalidateQueries();
    },
    onError: notices.fail,
  });
  const changed = form.name !== row.name || form.meaning !== row.meaning || form.rhythm_days !== row.rhythm_days;
  return (
    <form
      className="standing"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      <input
        aria-label={`Name of ${row.name}`}
        value={form.name}
        maxLength={40}
        onChange={(event) => setForm({ ...form, name: event.target.value })}
      />
      <input
        aria-label={`Meaning of ${row.name}`}
        value={form.meaning}
        maxLength={200}
        onChange={(event) => setForm({ ...form, meaning: event.target.value })}
      />
      {row.rhythm_days !== undefined && (
        <label className="small soft">
          every{' '}
          <input
            type="number"
            min={1}
            max={730}
            aria-label={`Rhythm of ${row.name} in days`}
            value={form.rhythm_days}
            style={{ width: 64 }}
            onChange={(event) => setForm({ ...form, rhythm_days: Number(event.target.value) })}
          />{' '}
          days
        </label>
      )}
      {changed ? (
        <button type="submit" className="chip" disabled={!form.name.trim() || keep.isPending}>
          Keep
        </button>
      ) : (
        <span className="soft small right">{row.people.toLocaleString('en-US')}</span>
      )}
    </form>
  );
}
