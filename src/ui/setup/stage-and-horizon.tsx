'use client';
/** Stages and horizons in the account's own words: renamed, added, taken away with where their people go; a horizon with its rhythm. */
import { useState, type ReactNode } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { OWN_STEPS, stageName, type OwnStep } from '@/core/contacts';
import { ask, freshKey, useFormat } from '../primitives';
import { Block } from './block';
import { RemoveDialog } from './remove-dialog';
import { Button, Input, ListLine, Row, Select, Text, useToast, CountField } from '../kit';

interface WordForm {
  name: string;
  meaning: string;
  rhythm_days?: number;
  strokes?: number;
}
interface WordRow extends WordForm {
  key: string;
  people: number;
  removable: boolean;
  counts_as?: string;
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
  const { data: rows } = useQuery({ queryKey: [kind], queryFn: async () => (await ask(`GET /${kind}`)).items as WordRow[] });
  return (
    <Block {...BLOCKS[kind]}>
      {rows?.map((row) => (
        <Line key={`${row.key} ${row.name} ${row.meaning} ${row.rhythm_days} ${row.strokes}`} kind={kind} row={row} rows={rows} />
      ))}
      {rows && <Add kind={kind} />}
    </Block>
  );
}

function Line({ kind, row, rows }: { kind: Kind; row: WordRow; rows: WordRow[] }) {
  const [form, setForm] = useState(row);
  const [removing, setRemoving] = useState(false);
  const format = useFormat();
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
    <WordLine
      form={form}
      label={row.name}
      onChange={setForm}
      onSubmit={() => save.mutate()}
      more={
        own && (
          <Text tone="soft" small nowrap>
            counts as {stageName(row.counts_as!)}
          </Text>
        )
      }
      end={
        <>
          {changed ? (
            <Button type="submit" size="small" look="main" disabled={!form.name.trim() || save.isPending}>
              Save
            </Button>
          ) : (
            <Text tone="soft" small nowrap>
              {format.number(row.people)} {row.people === 1 ? 'person' : 'people'}
            </Text>
          )}
          {row.removable ? (
            <Button size="small" aria-label={`Remove ${row.name}…`} onClick={() => setRemoving(true)}>
              Remove…
            </Button>
          ) : (
            <Text tone="soft" small nowrap title="Built in: contacts move here automatically.">
              built in
            </Text>
          )}
        </>
      }
    >
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
    </WordLine>
  );
}

/** The fields of one stage or horizon, that is there or being added: name, meaning, and for a horizon its rhythm and bars. */
function WordLine<Form extends WordForm>({
  form,
  label,
  isNew = false,
  onChange,
  onSubmit,
  more,
  end,
  children,
}: {
  form: Form;
  label: string;
  isNew?: boolean;
  onChange: (form: Form) => void;
  onSubmit: () => void;
  more?: ReactNode;
  end: ReactNode;
  children?: ReactNode;
}) {
  const look = isNew ? 'plain' : 'quiet';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      <ListLine end={end}>
        <Row gap={2}>
          <Input
            look={look}
            width={150}
            aria-label={isNew ? `New name: ${label}` : `Name of ${label}`}
            placeholder={isNew ? `New ${label}` : undefined}
            value={form.name}
            maxLength={40}
            onChange={(event) => onChange({ ...form, name: event.target.value })}
          />
          <Input
            look={look}
            width={260}
            aria-label={isNew ? `Meaning: new ${label}` : `Meaning of ${label}`}
            placeholder={isNew ? 'What it means' : undefined}
            value={form.meaning}
            maxLength={200}
            onChange={(event) => onChange({ ...form, meaning: event.target.value })}
          />
          {form.rhythm_days !== undefined && (
            <Rhythm
              of={isNew ? `the new ${label}` : label}
              days={form.rhythm_days}
              strokes={form.strokes!}
              onChange={(next) => onChange({ ...form, ...next })}
            />
          )}
          {more}
        </Row>
      </ListLine>
      {children}
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
      <Text as="label" tone="soft" small nowrap>
        every{' '}
        <CountField
          label={`Check-in rhythm for ${of} in days`}
          min={1}
          max={730}
          width={70}
          value={days}
          onChange={(rhythm_days) => onChange({ rhythm_days })}
        />{' '}
        days
      </Text>
      <Select
        aria-label={`Bars for ${of}`}
        title="How many bars it shows: 4 is soonest"
        value={strokes}
        onChange={(event) => onChange({ strokes: Number(event.target.value) })}
      >
        {[4, 3, 2, 1].map((n) => (
          <option key={n} value={n}>
            {n} {n === 1 ? 'bar' : 'bars'}
          </option>
        ))}
      </Select>
    </>
  );
}

const EMPTY = { name: '', meaning: '', counts_as: 'talking' as OwnStep };
const RHYTHM = { rhythm_days: 21, strokes: 2 };

function Add({ kind }: { kind: Kind }) {
  const empty = kind === 'horizons' ? { ...EMPTY, ...RHYTHM } : EMPTY;
  const [form, setForm] = useState<typeof EMPTY & Partial<typeof RHYTHM>>(empty);
  const queries = useQueryClient();
  const toast = useToast();
  const add = useMutation({
    mutationFn: async () => {
      const { name, meaning, counts_as, ...horizon } = form;
      if (kind === 'stages') await ask('POST /stages', { body: { name, meaning, counts_as }, headers: freshKey() });
      else await ask('POST /horizons', { body: { name, meaning, ...RHYTHM, ...horizon }, headers: freshKey() });
    },
    onSuccess: () => {
      toast.tell(`“${form.name}” added.`);
      setForm(empty);
      void queries.invalidateQueries();
    },
    onError: toast.fail,
  });
  return (
    <WordLine
      form={form}
      label={kind.slice(0, -1)}
      isNew
      onChange={setForm}
      onSubmit={() => add.mutate()}
      more={
        kind === 'stages' && (
          <Text as="label" tone="soft" small nowrap>
            counts as{' '}
            <Select
              aria-label="Which step the new stage counts as"
              value={form.counts_as}
              onChange={(event) => setForm({ ...form, counts_as: event.target.value as OwnStep })}
            >
              {OWN_STEPS.map((step) => (
                <option key={step} value={step}>
                  {stageName(step)}
                </option>
              ))}
            </Select>
          </Text>
        )
      }
      end={
        <Button type="submit" size="small" disabled={!form.name.trim() || add.isPending}>
          Add
        </Button>
      }
    />
  );
}
