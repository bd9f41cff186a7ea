'use client';
/** Stages and horizons in the account's own words: renamed, added, taken away with where their people go; a horizon with its rhythm. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { OWN_STEPS, stageName, type OwnStep } from '@/core/contacts';
import { ask, freshKey } from '../primitives';
import { Block } from './block';
import { RemoveDialog } from './remove-dialog';
import '../contacts/contacts.css';
import { Button, Input, Select, useToast } from '../kit';

interface Row {
  key: string;
  name: string;
  meaning: string;
  people: number;
  removable: boolean;
  counts_as?: string;
  rhythm_days?: number;
  strokes?: number;
}
type Kind = 'stages' | 'horizons';
const BLOCKS = {
  stages: {
    title: 'Stages',
    note: 'Where each contact is. They move from New to Talking automatically. Rename these as you like; each custom stage counts as one of these steps.',
  },
  horizons: {
    title: 'Horizons',
    note: 'When they plan to move, and how often to check in. Changing the check-in rhythm reschedules everyone with that horizon.',
  },
};

export function StageAndHorizon({ kind }: { kind: Kind }) {
  const { data: rows } = useQuery({ queryKey: [kind], queryFn: async () => (await ask(`GET /${kind}`)).items as Row[] });
  return (
    <Block {...BLOCKS[kind]}>
      {rows?.map((row) => (
        <Line key={`${row.key} ${row.name} ${row.meaning} ${row.rhythm_days} ${row.strokes}`} kind={kind} row={row} rows={rows} />
      ))}
      {rows && <Add kind={kind} />}
    </Block>
  );
}

function Line({ kind, row, rows }: { kind: Kind; row: Row; rows: Row[] }) {
  const [form, setForm] = useState(row);
  const [removing, setRemoving] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () =>
      ask(`PATCH /${kind}`, {
        body: {
          key: row.key,
          name: form.name,
          meaning: form.meaning,
          ...(form.rhythm_days ? { rhythm_days: form.rhythm_days } : {}),
          ...(form.strokes ? { strokes: form.strokes } : {}),
        },
      }),
    onSuccess: () => {
      toast.tell(`“${form.name}” saved.`);
      void queries.invalidateQueries();
    },
    onError: toast.fail,
  });
  const changed =
    form.name !== row.name ||
    form.meaning !== row.meaning ||
    form.rhythm_days !== row.rhythm_days ||
    form.strokes !== row.strokes;
  const own = row.counts_as !== undefined && row.counts_as !== row.key;
  return (
    <form
      className="standing"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <span className="name">
        <Input
          look="quiet"
          width="100%"
          aria-label={`Name of ${row.name}`}
          value={form.name}
          maxLength={40}
          onChange={(event) => setForm({ ...form, name: event.target.value })}
        />
      </span>
      <span className="meaning">
        <Input
          look="quiet"
          width="100%"
          aria-label={`Meaning of ${row.name}`}
          value={form.meaning}
          maxLength={200}
          onChange={(event) => setForm({ ...form, meaning: event.target.value })}
        />
      </span>
      {row.rhythm_days !== undefined && (
        <Rhythm
          of={row.name}
          days={form.rhythm_days!}
          strokes={form.strokes!}
          onChange={(next) => setForm({ ...form, ...next })}
        />
      )}
      {own && <span className="soft small nowrap">counts as {stageName(row.counts_as!)}</span>}
      {changed ? (
        <Button type="submit" size="small" disabled={!form.name.trim() || save.isPending}>
          Keep
        </Button>
      ) : (
        <span className="soft small right">{row.people.toLocaleString('en-US')}</span>
      )}
      {row.removable ? (
        <Button size="small" aria-label={`Remove ${row.name}…`} onClick={() => setRemoving(true)}>
          Remove…
        </Button>
      ) : (
        <span className="stays soft small" title="Built in: contacts move here automatically.">
          built in
        </span>
      )}
      {removing && (
        <RemoveDialog
          name={row.name}
          remove={(replace_by) => ask(`DELETE /${kind}`, { query: { key: row.key, replace_by } })}
          people={row.people}
          others={rows.filter(({ key }) => key !== row.key && !(kind === 'stages' && ['new', 'archived'].includes(key)))}
          {...(kind === 'horizons' ? { none: 'have no horizon' } : {})}
          instead={(name) => (kind === 'stages' ? `move to “${name}”` : `get “${name}” instead`)}
          button={(people, to) => (to ? `Move ${people} to “${to}”` : `Remove from ${people}`)}
          onClose={() => setRemoving(false)}
        />
      )}
    </form>
  );
}

function Rhythm({
  of,
  days,
  strokes,
  onChange,
}: {
  of: string;
  days: number;
  strokes: number;
  onChange: (next: { rhythm_days?: number; strokes?: number }) => void;
}) {
  return (
    <>
      <label className="small soft nowrap">
        every{' '}
        <Input
          type="number"
          min={1}
          max={730}
          aria-label={`Check-in rhythm for ${of} in days`}
          value={days}
          width={56}
          onChange={(event) => onChange({ rhythm_days: Number(event.target.value) })}
        />{' '}
        days
      </label>
      <Select
        aria-label={`Bars for ${of}`}
        title="How many bars it shows: 4 is soonest"
        value={strokes}
        onChange={(event) => onChange({ strokes: Number(event.target.value) })}
      >
        {[4, 3, 2, 1].map((n) => (
          <option key={n} value={n}>
            {n} {n === 1 ? 'stroke' : 'strokes'}
          </option>
        ))}
      </Select>
    </>
  );
}

const EMPTY = { name: '', meaning: '', counts_as: 'talking' as OwnStep, rhythm_days: 21, strokes: 2 };

function Add({ kind }: { kind: Kind }) {
  const [form, setForm] = useState(EMPTY);
  const queries = useQueryClient();
  const toast = useToast();
  const what = kind.slice(0, -1);
  const add = useMutation({
    mutationFn: async () => {
      const { name, meaning, counts_as, ...horizon } = form;
      if (kind === 'stages') await ask('POST /stages', { body: { name, meaning, counts_as }, headers: freshKey() });
      else await ask('POST /horizons', { body: { name, meaning, ...horizon }, headers: freshKey() });
    },
    onSuccess: () => {
      toast.tell(`“${form.name}” added.`);
      setForm(EMPTY);
      void queries.invalidateQueries();
    },
    onError: toast.fail,
  });
  return (
    <form
      className="standing add"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <span className="name">
        <Input
          look="plain"
          width="100%"
          aria-label={`New name: ${what}`}
          placeholder={`New ${what}`}
          value={form.name}
          maxLength={40}
          onChange={(event) => setForm({ ...form, name: event.target.value })}
        />
      </span>
      <span className="meaning">
        <Input
          look="plain"
          width="100%"
          aria-label={`Meaning: new ${what}`}
          placeholder="What it means"
          value={form.meaning}
          maxLength={200}
          onChange={(event) => setForm({ ...form, meaning: event.target.value })}
        />
      </span>
      {kind === 'stages' ? (
        <label className="small soft nowrap">
          counts as{' '}
          <Select value={form.counts_as} onChange={(event) => setForm({ ...form, counts_as: event.target.value as OwnStep })}>
            {OWN_STEPS.map((step) => (
              <option key={step} value={step}>
                {stageName(step)}
              </option>
            ))}
          </Select>
        </label>
      ) : (
        <Rhythm
          of="the new horizon"
          days={form.rhythm_days}
          strokes={form.strokes}
          onChange={(next) => setForm({ ...form, ...next })}
        />
      )}
      <Button type="submit" size="small" disabled={!form.name.trim() || add.isPending}>
        Add
      </Button>
    </form>
  );
}
